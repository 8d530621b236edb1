/** Whether two values of plain data are the same. */
export const isDeepEqual = (one: unknown, other: unknown): boolean =>
  one === other || (typeof one === 'object' && JSON.stringify(one) === JSON.stringify(other))
