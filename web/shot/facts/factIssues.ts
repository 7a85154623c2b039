/** What is wrong with a field of a draft, in words; undefined where nothing is. */
export type FactIssues = (field: string) => string | undefined
