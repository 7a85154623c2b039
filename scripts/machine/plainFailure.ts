/** Something wrong that a person can mend; the message is one plain sentence with the mend. */
export class PlainFailure extends Error {
  override readonly name = 'PlainFailure'
}

/** Runs a command's main function; a plain failure is said without a stack, anything else in full. */
export async function runMain(main: () => Promise<void>): Promise<void> {
  try {
    await main()
  } catch (error) {
    console.error(error instanceof PlainFailure ? `\n${error.message}` : error)
    process.exitCode = 1
  }
}
