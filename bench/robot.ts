import { runRobots } from '../client/test/robot/run-robots'

// Somebody at the keys who does what the screen says, and now and then something else (client/test/robot): after each instruction, does
// the row of a control of its own become what it should? Beside what the same robots were told, how much of it led elsewhere.
// Run: npx tsx --tsconfig bench/tsconfig.json bench/robot.ts        (SEEDS=5000, FIRST=1)

const SEEDS = Number(process.env['SEEDS'] ?? 5000)
const FIRST = Number(process.env['FIRST'] ?? 1)
const AT_ONCE = 100

const say = (line: string) => process.stdout.write(`${line}\n`)

let told = 0
const complaints: string[] = []
for (let done = 0; done < SEEDS; done += AT_ONCE) {
  const some = runRobots(Math.min(AT_ONCE, SEEDS - done), FIRST + done)
  told += some.told
  complaints.push(...some.complaints)
}
say(
  `${SEEDS} robots from seed ${FIRST}, ${told} instructions, ${complaints.length} that lead elsewhere`,
)
for (const complaint of complaints) say(complaint)
process.exitCode = complaints.length > 0 ? 1 : 0
