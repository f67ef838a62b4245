const slidOffPixels = 12

/** A press on a button that an answer may move meanwhile: what was pressed is what counts, unless the pointer itself slides off. */
export function useHeldPress() {
  let pressed: PointerEvent | undefined

  function hold(event: PointerEvent) {
    pressed = event
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  }

  function slide(event: PointerEvent) {
    const target = event.currentTarget as HTMLElement
    const isFar =
      pressed && Math.hypot(event.clientX - pressed.clientX, event.clientY - pressed.clientY) > slidOffPixels
    if (isFar && target.hasPointerCapture(event.pointerId)) target.releasePointerCapture(event.pointerId)
  }

  return { hold, slide }
}
