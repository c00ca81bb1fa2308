import { useRef } from 'react'
import { useFetcher } from 'react-router'
import { CUES, type CueId } from '#core/methods/signs'
import classes from './own-photo.module.css'

/** The cook's own picture of a sign in this pot, and taking one now. */
export function OwnPicture({
  cue,
  cookId,
  photo,
}: {
  cue: CueId
  cookId: string
  photo: string | undefined
}) {
  const fetcher = useFetcher<{ photo?: true; errors?: { message: string }[] }>()
  const form = useRef<HTMLFormElement>(null)
  const wrong = fetcher.data?.errors?.[0]?.message
  return (
    <div className={classes.own}>
      {photo && <img src={`/photos/${photo}`} alt={`Your photo: ${CUES[cue].text}`} />}
      <fetcher.Form ref={form} method="post" action={`/notebook/${cookId}`} encType="multipart/form-data">
        <input type="hidden" name="intent" value="photo" />
        <input type="hidden" name="cue" value={cue} />
        <label className={classes.take}>
          {fetcher.state !== 'idle' ? 'Saving …' : photo ? 'a newer picture' : 'take a photo'}
          <input
            type="file"
            name="photo"
            accept="image/*"
            capture="environment"
            className="unseen"
            onChange={(event) => event.currentTarget.files?.length && void fetcher.submit(form.current)}
          />
        </label>
      </fetcher.Form>
      {wrong && <p role="alert">{wrong}</p>}
    </div>
  )
}
