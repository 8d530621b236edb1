/** Why a control stops with a block that it cannot do. */
export interface Alarm {
  readonly alarm: string
}

export const alarm = (words: string): Alarm => ({ alarm: words })

export const isAlarm = (value: unknown): value is Alarm =>
  typeof value === 'object' && value !== null && 'alarm' in value
