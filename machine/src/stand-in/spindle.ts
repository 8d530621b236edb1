import type { Chance } from '../kit'
import { lengthIn, type Assembly } from '../shop'

/** What hangs in the spindle, and what the control takes it for. */
export class Spindle {
  private seated = 0
  /** In truth; undefined where it is empty. */
  holds: Assembly | undefined
  /** The tool that the control takes for the one in it. */
  believed: number | undefined
  /** Turns a minute; below zero backwards. */
  turns = 0

  constructor(
    private readonly tools: readonly Assembly[],
    private readonly chance: Chance,
  ) {}

  /** Puts a tool in by its number, seated anew; undefined takes it out. */
  load(number: number | undefined, called: number | undefined): void {
    this.holds = this.tools.find((tool) => tool.number === number)
    this.seated = this.chance.normal(1)
    this.believed = called
  }

  /** Of the tool, as it is seated now, nanometres; zero for the bare nose. */
  get length(): number {
    return this.holds === undefined ? 0 : lengthIn(this.holds, this.seated)
  }
}
