import type { Chain, ChainControl, ChainMove, Channel, Insert, Parameter } from '@/api/types'

export const mostControls = 8

/** What a control of a chain could move: a value of an insert inside, or the insert itself, on and off. */
export interface ChainValue {
  key: string
  text: string
  insert: string
  parameter: Parameter | null
  /** Where it stands by itself. */
  stored: number
}

/** Under the next number that none on the channel has. */
export function newChain(channel: Channel, name: string, inserts: string[]): Chain {
  return { id: freshId('chain', channel.chains), name, inserts, controls: [] }
}

export function newControl(chain: Chain): ChainControl {
  const id = freshId('control', chain.controls)
  return { id, name: `Control ${id.split('-')[1]}`, position: 0, moves: [] }
}

/** It begins where the value stands and ends at the far end; a switch is on in the upper half. */
export function newMove(value: ChainValue): ChainMove {
  if (!value.parameter) return { insert: value.insert, parameter: null, from: 0.5, to: 1 }
  const { id, min, max } = value.parameter
  return { insert: value.insert, parameter: id, from: value.stored, to: value.stored === max ? min : max }
}

export const keyOf = (move: ChainMove) => `${move.insert} ${move.parameter ?? ''}`

/**
 * All that the inserts of a chain have.
 * @param titleOf what an insert is called
 * @param parametersOf its controls
 */
export function valuesIn(
  channel: Channel,
  chain: Chain,
  titleOf: (insert: Insert) => string,
  parametersOf: (insert: Insert) => Parameter[],
): ChainValue[] {
  return channel.inserts
    .filter((i) => chain.inserts.includes(i.id))
    .flatMap((insert) => {
      const stored = insert.settings as Record<string, number>
      return [
        { key: `${insert.id} `, text: `${titleOf(insert)}: on and off`, insert: insert.id, parameter: null, stored: 1 },
        ...parametersOf(insert).map((parameter) => ({
          key: `${insert.id} ${parameter.id}`,
          text: `${titleOf(insert)}: ${parameter.name.toLowerCase()}`,
          insert: insert.id,
          parameter,
          stored: stored[parameter.id] ?? parameter.default,
        })),
      ]
    })
}

function freshId(stem: string, known: readonly { id: string }[]) {
  let number = known.length + 1
  while (known.some((k) => k.id === `${stem}-${number}`)) number++
  return `${stem}-${number}`
}
