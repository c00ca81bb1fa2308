import { checkHousehold, copiesFolder, restoreCopy, takeCopy } from '#server/backup/copy'
import { databaseFile } from '#server/store/open-household'

/**
 * backup, restore and check, on the household named by OMSEL_DATABASE or OMSEL_DATA.
 * @param failure ends the program with the words
 */
export async function keep(
  command: string,
  [path, ...more]: readonly string[],
  failure: (message: string) => never,
): Promise<void> {
  if (more.length > 0) failure(`${command} takes one path, got ${more.length + 1}`)
  const file = databaseFile()
  const say = (line: string) => process.stdout.write(`${line}\n`)
  try {
    if (command === 'backup') say(await takeCopy(file, path ?? copiesFolder(file), Date.now()))
    if (command === 'restore') {
      if (path === undefined) return failure('restore needs the copy to restore from')
      const aside = restoreCopy(path, file, Date.now())
      say(`${file} is as it was in ${path}${aside === undefined ? '' : `; the previous data is in ${aside}`}`)
    }
    if (command === 'check') {
      const wrong = checkHousehold(path ?? file)
      if (wrong.length > 0) failure(wrong.join('; '))
      say(`${path ?? file} is sound`)
    }
  } catch (error) {
    failure((error as Error).message)
  }
}
