/** Text for one line of a file: names stored before control characters were refused lose them here. */
export const oneLine = (text: string): string => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ').trim()
