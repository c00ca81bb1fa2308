import { useLocation, type Location } from 'react-router'
import type { Line } from './use-kitchen-stream'

/** A link to the sign-in page that returns to the present page. */
export const signInAddress = ({ pathname, search }: Pick<Location, 'pathname' | 'search'>): string =>
  `/login?to=${encodeURIComponent(pathname + search)}`

/** The way back for a device that was signed out; nothing otherwise. */
export function SignInLink({ line }: { line: Line }) {
  const here = useLocation()
  if (line !== 'shut') return null
  return (
    <>
      {' '}
      You are signed out; <a href={signInAddress(here)}>sign in again</a>.
    </>
  )
}
