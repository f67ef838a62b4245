import { api, asked } from '@/api/client'
import type { InputLight, InputLine, InputNaming, CabledMachine } from '@/api/types'

/** The simulated devices that come along. */
export function outsideDevices() {
  return asked(api.GET('/api/cabled-machines')) as Promise<CabledMachine[]>
}

/** Hardware inputs in their order, with the channels that take each. */
export function inputsOf(id: string, first: number, count: number) {
  const ask = { params: { path: { id }, query: { first, count } } }
  return asked(api.GET('/api/documents/{id}/inputs', ask)) as Promise<InputLine[]>
}

/** A pad of a device is pressed; the inputs that light, the loudest first. */
export function pressed(id: string, device: string, note: number, firstInput: number) {
  const ask = { params: { path: { id } }, body: { device, note, firstInput } }
  return asked(api.POST('/api/documents/{id}/inputs/pressed', ask)) as Promise<InputLight[]>
}

/** What calls an input by a name. */
export function inputNaming(id: string, input: number, name: string) {
  const ask = { params: { path: { id } }, body: { input, name } }
  return asked(api.POST('/api/documents/{id}/inputs/name', ask)) as Promise<InputNaming>
}
