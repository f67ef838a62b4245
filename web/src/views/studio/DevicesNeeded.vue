<script setup lang="ts">
import type { DeviceFit, StudioFit } from '@/api/types'

/** The devices of a template, and how each stands in the studio that is on. */
defineProps<{ devices: DeviceFit[]; weight: StudioFit['weight'] }>()

const hereOf = (device: DeviceFit) =>
  device.standing === 'here' ? 'here' : device.standing === 'missing' ? 'missing' : 'not known here'
const standInOf = (device: DeviceFit) =>
  device.standIn === 'nothing' ? 'sound passes through' : `${device.standIn} stands in`
</script>

<template>
  <p v-if="devices.length === 0" class="quiet">
    Nothing: it plays with instruments and processors of ours. Any of them can stand in for one of yours, in the panel
    of its channel.
  </p>
  <table v-else>
    <thead>
      <tr>
        <th>Device</th>
        <th>on</th>
        <th class="roomy">kind</th>
        <th class="right">latency</th>
        <th class="right roomy">one core</th>
        <th>in this studio</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="device in devices" :key="`${device.channel}/${device.insert}`">
        <td>{{ device.device }}</td>
        <td class="quiet">{{ device.channelName }}</td>
        <td class="quiet roomy">{{ device.kind }}</td>
        <td class="right">
          <template v-if="device.latencyMs != null"
            >{{ device.latencyMs.toFixed(1) }} ms<span v-if="device.isMeasured" class="faint"> measured</span></template
          ><span v-else class="plum">unknown</span>
        </td>
        <td class="right roomy">
          <template v-if="device.sharePercent != null">{{ device.sharePercent.toFixed(1) }} %</template
          ><span v-else class="plum">unknown</span>
        </td>
        <td>
          <span :class="device.standing === 'here' ? 'proven' : 'none'">{{ hereOf(device) }}</span><span class="quiet"
            >: {{ standInOf(device) }}</span
          >
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="devices.length" class="quiet">
    In this act {{ weight.sharePercent.toFixed(1) }} % of one core<template v-if="weight.memoryMegabytes"
      >, {{ Math.round(weight.memoryMegabytes) }} MB</template
    ><template v-if="weight.loadSeconds">, {{ weight.loadSeconds.toFixed(1) }} s to load</template
    ><template v-if="weight.unknown"
      >, and what {{ weight.unknown === 1 ? 'one device does' : `${weight.unknown} devices do` }} not say</template
    >.
  </p>
</template>

<style scoped src="../../look/table.css"></style>
<style scoped>
.plum {
  color: var(--plum);
}

.proven {
  color: var(--proven);
}

.none {
  color: var(--blocker);
}
</style>
