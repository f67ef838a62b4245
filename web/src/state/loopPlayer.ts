const fadeSeconds = 0.012

/** Plays one buffer, in a loop or once; a new buffer takes over at the same place. */
export class LoopPlayer {
  private context?: AudioContext
  private buffer?: AudioBuffer
  private source?: AudioBufferSourceNode
  private gain?: GainNode
  private startedAt = 0
  private offset = 0

  constructor(private readonly onEnded: () => void) {}

  /** Takes the sound of a WAVE file; if something plays, it goes on with the new sound from where it is. */
  async load(wave: ArrayBuffer, loop: boolean) {
    this.context ??= new AudioContext()
    const next = await this.context.decodeAudioData(wave)
    const place = this.position()
    const sounding = this.source !== undefined
    const sameLength = this.buffer?.length === next.length
    this.buffer = next
    if (sounding) this.run(sameLength ? (place ?? 0) * next.duration : 0, loop)
    else if (!sameLength) this.offset = 0
  }

  start(loop: boolean): boolean {
    if (!this.context || !this.buffer) return false
    void this.context.resume()
    this.run(this.offset, loop)
    return true
  }

  stop() {
    const place = this.position()
    if (place !== undefined && this.buffer) this.offset = place * this.buffer.duration
    this.fadeOut()
  }

  /** @param share of the whole, in [0, 1] */
  seek(share: number, loop: boolean, sounding: boolean) {
    if (!this.buffer) return
    this.offset = share * this.buffer.duration
    if (sounding) this.run(this.offset, loop)
  }

  setLoop(on: boolean) {
    if (this.source) this.source.loop = on
  }

  /** @returns the share of the whole that is being heard, in [0, 1); undefined without a sound */
  position(): number | undefined {
    if (!this.context || !this.buffer) return undefined
    if (!this.source) return this.offset / this.buffer.duration
    return ((this.context.currentTime - this.startedAt) % this.buffer.duration) / this.buffer.duration
  }

  private run(offset: number, loop: boolean) {
    const context = this.context!
    this.fadeOut()
    this.source = new AudioBufferSourceNode(context, { buffer: this.buffer!, loop })
    this.gain = new GainNode(context, { gain: 0 })
    this.gain.gain.linearRampToValueAtTime(1, context.currentTime + fadeSeconds)
    this.source.connect(this.gain).connect(context.destination)
    this.source.start(0, offset)
    this.startedAt = context.currentTime - offset
    const mine = this.source
    mine.onended = () => {
      if (this.source !== mine) return
      this.source = undefined
      this.offset = 0
      this.onEnded()
    }
  }

  private fadeOut() {
    const { context, source, gain } = this
    this.source = undefined
    if (!context || !source || !gain) return
    gain.gain.setValueAtTime(1, context.currentTime)
    gain.gain.linearRampToValueAtTime(0, context.currentTime + fadeSeconds)
    source.stop(context.currentTime + 2 * fadeSeconds)
  }
}
