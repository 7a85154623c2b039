/**
 * Asks the browser not to clear what this device keeps when it runs short of room. It may say no; then what is kept
 * is as safe as anything a browser keeps.
 */
export async function askToPersist(): Promise<void> {
  if (!('storage' in navigator) || !('persist' in navigator.storage)) return
  if (!(await navigator.storage.persisted())) await navigator.storage.persist()
}
