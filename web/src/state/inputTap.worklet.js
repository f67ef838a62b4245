/* global AudioWorkletProcessor, registerProcessor, currentTime */
/** Hands on what comes in, block by block, with the moment at which it came. */
class InputTap extends AudioWorkletProcessor {
  constructor() {
    super()
    this.lanes = []
    this.began = 0
  }

  process([lanes]) {
    if (!lanes?.length) return true
    if (this.lanes.length === 0) this.began = currentTime
    this.lanes.push(lanes.map((lane) => lane.slice()))
    // Sixteen blocks of 128 frames at a time are told.
    if (this.lanes.length === 16) {
      this.port.postMessage({ began: this.began, blocks: this.lanes })
      this.lanes = []
    }
    return true
  }
}

registerProcessor('input-tap', InputTap)
