/** Where batches wait on the device that were started without a connection. */
export const STARTS_KEY = 'omsel.starts'
