/** Of the scripts, which are plain JavaScript: what benches ask of them. */
declare module '*/database.mjs' {
  interface Database {
    readonly port: number
    readonly password: string
    sql(statements: string): Promise<string>
    readonly pid: number
    readonly ended: Promise<unknown>
    url(database: string): string
    createDatabase(name: string): Promise<void>
    stop(): Promise<void>
  }
  export function startDatabase(
    folder: string,
    options?: {
      readonly port?: number
      readonly fresh?: boolean
      readonly standbyOf?: Database
    },
  ): Promise<Database>
}
declare module '*/ports.mjs' {
  export function freePort(): Promise<number>
}
declare module '*/serve.mjs' {
  interface Running {
    readonly address: string
    readonly pid: number
    readonly ended: Promise<number>
    stop(): Promise<void>
  }
  export function startServer(how: {
    readonly databaseUrl: string
    readonly port: number
    readonly demo: boolean
    readonly clientFolder?: string
  }): Promise<Running>
}
declare module '*/pair.mjs' {
  export class Pair {
    static start(folder: string): Promise<Pair>
    readonly url: string
    readonly primary: { url(database: string): string }
    failOver(): Promise<unknown>
    addStandby(): Promise<void>
    standFirm(firm: boolean): Promise<void>
    stop(): Promise<void>
  }
}
declare module '*/build-client.mjs' {
  export function buildClient(): Promise<void>
  export function exportPage(project: string): Promise<void>
}
