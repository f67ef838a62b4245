import type { components } from '@/api/schema'

/** Custom properties for an element of class "inked"; without a colour it takes the second text colour. */
export function inkOf(colour: components['schemas']['ChannelColour'] | null | undefined): Record<string, string> {
  return colour ? { '--ink-night': colour.night, '--ink-day': colour.day } : {}
}
