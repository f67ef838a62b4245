import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { inputNaming, inputsOf, outsideDevices, pressed } from './inputCalls'
import { sentenceOf } from '@/api/client'
import type { InputLight, InputLine, CabledMachine } from '@/api/types'
import { useDocument } from '@/state/document'

/** A device outside, the inputs that it is cabled to, and what its pads light there. */
export function useInputs(open: Ref<boolean>) {
  const document = useDocument()
  const devices = shallowRef<CabledMachine[]>([])
  const deviceId = ref('')
  const firstInput = ref(1)
  const inputs = shallowRef<InputLine[]>([])
  const lights = shallowRef<InputLight[]>([])
  const pad = ref<string>()
  const trouble = ref<string>()
  let turn = 0

  const device = computed(() => devices.value.find((d) => d.id === deviceId.value))

  async function trying(what: () => Promise<void>) {
    trouble.value = undefined
    try {
      await what()
    } catch (error) {
      trouble.value = sentenceOf(error)
    }
  }

  /** What a pad lights counts until the next one is pressed. */
  function press(note: number, name: string) {
    const mine = ++turn
    pad.value = name
    lights.value = []
    return trying(async () => {
      const lit = await pressed(document.head!.id, deviceId.value, note, firstInput.value)
      if (mine === turn) lights.value = lit
    })
  }

  function call(input: number, name: string) {
    return trying(async () => {
      const naming = await inputNaming(document.head!.id, input, name)
      if (naming.edits.length && !(await document.edit(naming.edits))) trouble.value = document.refusal?.sentence
    })
  }

  watch(open, (is) => {
    lights.value = []
    pad.value = undefined
    if (!is) return
    void trying(async () => {
      devices.value = await outsideDevices()
      deviceId.value ||= devices.value[0]!.id
    })
  })
  watch([deviceId, firstInput], () => {
    turn++
    lights.value = []
    pad.value = undefined
  })
  watch([open, device, firstInput, () => document.head?.revision], () => {
    if (!open.value || !device.value || !document.head) return
    const { id } = document.head
    const asked = [deviceId.value, firstInput.value, document.head.revision].join()
    void trying(async () => {
      const answer = await inputsOf(id, firstInput.value, device.value!.jacks)
      if (asked === [deviceId.value, firstInput.value, document.head?.revision].join()) inputs.value = answer
    })
  })

  return { devices, deviceId, device, firstInput, inputs, lights, pad, trouble, press, call }
}
