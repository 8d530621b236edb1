/** How a slide was made. Lengths in nanometres. */
export interface SlideMade {
  /** Where its stops are, as the machine positions of a perfect home. */
  readonly travel: { readonly min: number; readonly max: number }
  /** Backlash: how far the screw turns before the slide follows, on turning round. */
  readonly lostMotion: number
  /** Where its home switch stands; a slide that has none is set by hand. */
  readonly home?: number
}

/** Homing finds the same place again to so much, one standard deviation. Common practice, no source. */
const HOME_SCATTER_NM = 2_000

/**
 * One axis as it is made: a screw whose turns are counted, and a slide that follows it with some play. The display knows the screw and
 * a zero; nobody but this model knows where the slide really stands.
 */
export class Slide {
  /** How far the screw is turned, counted from where a perfect home would be. */
  private screw: number
  /** Where it really stands. Pushed upwards it stands where the screw says; pulled down, its play higher. */
  private stands: number
  /** What the display shows is the screw less this. */
  private zero = 0
  private known = false

  constructor(
    readonly made: SlideMade,
    at: number,
  ) {
    this.screw = at
    this.stands = at
  }

  /** Machine position as it is displayed. */
  get shown(): number {
    return this.screw - this.zero
  }

  /** Where the slide is in truth, in the frame of a perfect home. */
  get truth(): number {
    return this.stands
  }

  /** Whether it was homed, or set at a mark, since power came. */
  get isHomed(): boolean {
    return this.known
  }

  /** Where it would really stand if it were driven to a displayed position from where it is. */
  truthAt(shown: number): number {
    const screw = shown + this.zero
    const { lostMotion } = this.made
    return Math.min(Math.max(this.stands, screw), screw + lostMotion)
  }

  /**
   * Drives to a displayed position, or to the stop before it.
   *
   * @returns whether it came there.
   */
  drive(shown: number): boolean {
    const wanted = shown + this.zero
    const { min, max } = this.made.travel
    const screw = Math.min(Math.max(wanted, min), max)
    this.stands = this.truthAt(screw - this.zero)
    this.screw = screw
    return screw === wanted
  }

  /** Finds its switch. @param scatter a normal deviate, one standard deviation being 1. */
  homeBySwitch(scatter: number): void {
    const { home, travel, lostMotion } = this.made
    if (home === undefined) return
    const found = home + Math.round(scatter * HOME_SCATTER_NM)
    this.screw = Math.min(Math.max(found, travel.min), travel.max)
    // A switch is left slowly from one side: the play is always on the same one.
    this.stands = home > (travel.min + travel.max) / 2 ? this.screw + lostMotion : this.screw
    this.zero = this.screw - home
    this.known = true
  }

  /** Somebody says what the position is here, as at a mark. */
  setHere(shown: number): void {
    this.zero = this.screw - shown
    this.known = true
  }

  /** Power is lost: the slide stays, and the count is lost. @param shown what the display shows when power is back. */
  losePower(shown: number): void {
    this.zero = this.screw - shown
    this.known = false
  }
}
