/** Only digits count: rpm are whole. Undefined where there are none. */
export function turnsOf(text: string): number | undefined {
  const digits = text.replace(/\D/g, '').slice(0, 6)
  return Number(digits) > 0 ? Number(digits) : undefined
}
