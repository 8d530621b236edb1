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
    readonly ownerUrl?: string
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
declare module '*/cluster.mjs' {
  interface Place {
    readonly name: string
    readonly port: number
  }
  export class Cluster {
    static start(
      folder: string,
      options?: { readonly between?: (port: number) => Promise<number> },
    ): Promise<Cluster>
    readonly nodes: readonly Place[]
    readonly voters: readonly { readonly name: string }[]
    createDatabase(name: string): Promise<void>
    beginArchive(): Promise<void>
    archive(...command: string[]): Promise<string>
    restore(folder: string, moment: Date): Promise<void>
    url(database: string): string
    serverUrl(database: string): Promise<string>
    leaderUrl(database: string): Promise<string>
    sql(statements: string, database?: string): Promise<string>
    leader(): Promise<string | undefined>
    inStep(): Promise<void>
    startAgain(name: string): void
    stop(): Promise<void>
    readonly places: {
      ended(): readonly string[]
      kill(name: string): void
      freeze(name: string): void
      thaw(name: string): void
    }
  }
}
declare module '*/build-client.mjs' {
  export function buildClient(): Promise<void>
  export function exportPage(project: string): Promise<void>
  export function compressPage(dist: string, quality?: number): void
  export function compressClient(): void
}
declare module '*/packages.mjs' {
  export const CLUSTER: readonly unknown[]
  export function ensureDebianPackages(wanted: readonly unknown[]): Promise<void>
  export function chromiumPath(): string | undefined
}
declare module '*/chromium.mjs' {
  export const CHROMIUM_FLAGS: string[]
}
