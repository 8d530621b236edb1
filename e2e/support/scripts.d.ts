/** Of the scripts, which are plain JavaScript: what tests ask of them. */
declare module '*/chromium.mjs' {
  export const CHROMIUM_FLAGS: readonly string[]
}
declare module '*/packages.mjs' {
  export function chromiumPath(): string | undefined
}
declare module '*/backups.mjs' {
  export function backupName(now: Date): string
  export function outlived(names: readonly string[]): readonly string[]
}
declare module '*/server-program.mjs' {
  export function serverProgram(name: 'main'): Promise<string>
}
declare module '*/serve.mjs' {
  export function startServer(how: {
    readonly databaseUrl: string
    readonly port: number
    readonly demo: boolean
  }): Promise<{ readonly address: string; stop(): Promise<void> }>
}
declare module '*/pair.mjs' {
  interface Database {
    url(database: string): string
    stop(): Promise<void>
  }
  export class Pair {
    static start(folder: string): Promise<Pair>
    readonly url: string
    readonly primary: Database
    failOver(): Promise<Database>
    comeBack(lost: Database): Promise<Database>
    stop(): Promise<void>
  }
}

declare module '*/machine.mjs' {
  export function startMachine(port: number): Promise<{
    readonly address: string
    readonly host: string
    stop(): Promise<void>
    readonly ended: Promise<number>
  }>
}
