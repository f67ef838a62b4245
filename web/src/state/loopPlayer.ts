import type { Arriving } from './soundStream'

const fadeSeconds = 0.012
const leadSeconds = 0.06
const leastPieceSeconds = 0.2

/** A stretch of the sound, as shares of the whole. */
export interface LoopRange {
  from: number
  to: number
}

/** What each of two sounds is turned by, in dB. */
export interface Trims {
  first: number
  second: number
}

/** Plays one sound, in a loop or once, from the first second that has arrived; a new sound takes over at the same place. */
export class LoopPlayer {
  private context?: AudioContext
  private buffer?: AudioBuffer
  private source?: AudioBufferSourceNode
  private gain?: GainNode
  private startedAt = 0
  private offset = 0
  private range?: LoopRange
  private countSeconds = 0
  /** Times around the loop before the source that runs now; a jump leaves a gap. */
  private passes = 0
  private other?: { buffer: AudioBuffer; trims: Trims }
  private hearsOther = false
  private pieces?: { gain: GainNode; nodes: AudioBufferSourceNode[]; scheduled: number; seconds: number }

  constructor(private readonly onEnded: () => void) {}

  get isSounding() {
    return this.source !== undefined || this.pieces !== undefined
  }

  /** Makes ready to sound within what the browser sees as the press of a key. */
  wake(rate: number): AudioContext {
    if (this.context && this.context.sampleRate !== rate) {
      void this.context.close()
      this.context = undefined
    }
    this.context ??= new AudioContext({ sampleRate: rate })
    void this.context.resume()
    return this.context
  }

  /**
   * Plays what has arrived of a sound, piece after piece, from its start.
   * @param countSeconds what of it is heard once and not again when it loops: a count-in
   */
  playArriving(sound: Arriving, countSeconds: number) {
    this.wake(sound.rate)
    this.countSeconds = countSeconds
    const context = this.context!
    this.pieces ??= this.beginPieces(sound)
    const { gain, nodes, scheduled } = this.pieces
    const fresh = sound.frames - scheduled
    const isLast = sound.frames === sound.left.length
    if (fresh === 0 || (!isLast && fresh < leastPieceSeconds * sound.rate)) return
    const piece = context.createBuffer(2, fresh, sound.rate)
    piece.copyToChannel(sound.left.subarray(scheduled, sound.frames), 0)
    piece.copyToChannel(sound.right.subarray(scheduled, sound.frames), 1)
    const node = new AudioBufferSourceNode(context, { buffer: piece })
    node.connect(gain)
    // The first piece sets the clock; one that comes too late starts where it should be by now.
    if (scheduled === 0) this.startedAt = context.currentTime + leadSeconds
    const at = this.startedAt + scheduled / sound.rate
    const late = Math.max(0, context.currentTime - at)
    // A piece that is over before it comes is never begun, so there is nothing of it to stop.
    if (late < piece.duration) {
      node.start(at + late, late)
      nodes.push(node)
    }
    this.pieces.scheduled = sound.frames
  }

  /** Takes a whole sound; if something plays, it goes on with the new sound from where it is. */
  take(sound: Arriving, loop: boolean, countSeconds: number) {
    this.wake(sound.rate)
    const next = this.bufferOf(sound)
    const place = this.position()
    const sounding = this.isSounding
    const sameLength = this.pieces !== undefined || this.buffer?.length === next.length
    this.dropPieces()
    this.buffer = next
    this.countSeconds = countSeconds
    const passes = this.passes + this.around()
    if (sounding) this.run(sameLength ? (place ?? 0) * next.duration : 0, loop)
    else if (!sameLength) this.offset = 0
    // It is the same time around, with another sound.
    if (sounding && sameLength) this.passes = passes
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
    this.dropPieces()
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

  /** Only this stretch is looped; undefined for all of it. */
  setRange(range: LoopRange | undefined, loop: boolean) {
    this.range = range
    if (!this.buffer) return
    const place = this.position() ?? 0
    const inside = !range || (place >= range.from && place < range.to)
    this.offset = (inside ? place : range.from) * this.buffer.duration
    if (this.source) this.run(this.offset, loop)
  }

  /** Another sound to compare with, and what brings both to one loudness; undefined for none. */
  compareWith(sound: Arriving | undefined, trims: Trims) {
    if (!sound) this.other = undefined
    else {
      this.wake(sound.rate)
      this.other = { buffer: this.bufferOf(sound), trims }
    }
  }

  /** Which of the two is heard, from the same place on. */
  hearOther(on: boolean, loop: boolean) {
    this.hearsOther = on
    if (this.source) this.run((this.position() ?? 0) * this.buffer!.duration, loop)
  }

  /** @returns the share of the whole that is being heard, in [0, 1); undefined without a sound */
  position(): number | undefined {
    if (!this.context) return undefined
    if (this.pieces) return Math.max(0, (this.context.currentTime - this.startedAt) / this.pieces.seconds) % 1
    if (!this.buffer) return undefined
    if (!this.source) return this.offset / this.buffer.duration
    const { start, end } = this.bounds()
    const elapsed = this.context.currentTime - this.startedAt
    return (elapsed < end ? elapsed : start + ((elapsed - start) % (end - start))) / this.buffer.duration
  }

  /**
   * Where in the sound a moment is, as it is heard.
   * @param stamp in milliseconds of the page's clock
   * @returns the time around, and seconds from where it begins after its count; undefined while nothing sounds
   */
  placeAt(stamp: number): { pass: number; seconds: number } | undefined {
    const { context } = this
    if (!context || !this.isSounding) return undefined
    const heard = context.getOutputTimestamp()
    const known = heard.contextTime !== undefined && heard.performanceTime !== undefined && heard.performanceTime > 0
    const at = known
      ? heard.contextTime! + (stamp - heard.performanceTime!) / 1000
      : context.currentTime - (context.outputLatency || context.baseLatency || 0) + (stamp - performance.now()) / 1000
    return this.placeIn(at)
  }

  /**
   * The same for a moment of the player's own clock, which is ahead of what is heard.
   * @param at in seconds
   */
  placeIn(at: number): { pass: number; seconds: number } | undefined {
    if (!this.isSounding) return undefined
    const elapsed = at - this.startedAt
    const { start, end } = this.pieces ? { start: this.countSeconds, end: this.pieces.seconds } : this.bounds()
    const around = this.around(elapsed)
    const place = (elapsed < end ? elapsed : start + ((elapsed - start) % (end - start))) - this.countSeconds
    // While it is counted in, the first beat may come early: it is at the end of the time before.
    return place < 0
      ? { pass: this.passes + around - 1, seconds: Math.max(0, place + end - this.countSeconds) }
      : { pass: this.passes + around, seconds: place }
  }

  private around(elapsed = (this.context?.currentTime ?? 0) - this.startedAt) {
    if (this.pieces || !this.buffer || !this.source) return 0
    const { start, end } = this.bounds()
    return elapsed < end ? 0 : Math.floor((elapsed - start) / (end - start))
  }

  private bounds() {
    const seconds = this.buffer!.duration
    return { start: this.range ? this.range.from * seconds : this.countSeconds, end: (this.range?.to ?? 1) * seconds }
  }

  private bufferOf(sound: Arriving): AudioBuffer {
    const buffer = this.context!.createBuffer(2, sound.left.length, sound.rate)
    buffer.copyToChannel(sound.left, 0)
    buffer.copyToChannel(sound.right, 1)
    return buffer
  }

  private beginPieces(sound: Arriving) {
    this.fadeOut()
    this.passes += 1000
    const gain = new GainNode(this.context!)
    gain.connect(this.context!.destination)
    return { gain, nodes: [], scheduled: 0, seconds: sound.left.length / sound.rate }
  }

  private dropPieces() {
    const { pieces, context } = this
    this.pieces = undefined
    if (!pieces || !context) return
    this.fade(pieces.gain)
    for (const node of pieces.nodes) node.stop(context.currentTime + 2 * fadeSeconds)
  }

  private run(offset: number, loop: boolean) {
    const context = this.context!
    this.passes += 1000
    this.fadeOut()
    const { other } = this
    const buffer = this.hearsOther && other ? other.buffer : this.buffer!
    const trim = other ? 10 ** ((this.hearsOther ? other.trims.second : other.trims.first) / 20) : 1
    const { start, end } = this.bounds()
    this.source = new AudioBufferSourceNode(context, { buffer, loop, loopStart: start, loopEnd: end })
    this.gain = new GainNode(context, { gain: 0 })
    this.gain.gain.linearRampToValueAtTime(trim, context.currentTime + fadeSeconds)
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
    this.fade(gain)
    source.stop(context.currentTime + 2 * fadeSeconds)
  }

  private fade(gain: GainNode) {
    const now = this.context!.currentTime
    gain.gain.setValueAtTime(gain.gain.value, now)
    gain.gain.linearRampToValueAtTime(0, now + fadeSeconds)
  }
}
