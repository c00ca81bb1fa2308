import type { CourseMoment } from './course'

/** The pot at a minute; undefined before its first heat. */
export function momentAt(course: readonly CourseMoment[], minute: number): CourseMoment | undefined {
  let [low, high] = [0, course.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (course[middle]!.minute <= minute) low = middle + 1
    else high = middle
  }
  return course[low - 1]
}
