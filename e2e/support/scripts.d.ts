/** Of the scripts, which are plain JavaScript: what tests ask of them. */
declare module '*/backups.mjs' {
  export function backupName(now: Date): string
  export function outlived(names: readonly string[]): readonly string[]
}
