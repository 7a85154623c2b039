declare module 'jstat' {
  /** The few parts of the library that core uses. */
  const jStat: {
    beta: { inv: (probability: number, alpha: number, beta: number) => number }
  }
  export default jStat
}
