/** The present moment. Tests and demo data bring their own. */
export type Clock = () => Date
