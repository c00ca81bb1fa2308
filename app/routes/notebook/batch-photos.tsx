import { Form } from 'react-router'
import { Button, Group, FileInput, NativeSelect } from '@mantine/core'
import { CUES, type CueId } from '#core/methods/signs'
import { SendButton } from '../../ui/forms/send-button'
import classes from './notebook.module.css'

export function Photos({
  photos,
  error,
  busy,
}: {
  photos: readonly { id: string; cue: string | null; width: number; height: number }[]
  error: string | undefined
  busy: boolean
}) {
  const shows = (cue: string | null) =>
    cue !== null && cue in CUES ? `when ${CUES[cue as CueId].text}` : 'this pot'
  return (
    <>
      <h2 className={classes.h2}>Pictures</h2>
      <div className={classes.photos}>
        {photos.map((photo) => (
          <figure key={photo.id}>
            <img
              src={`/photos/${photo.id}`}
              width={photo.width}
              height={photo.height}
              style={{ height: 'auto' }}
              alt={shows(photo.cue)}
              loading="lazy"
            />
            <figcaption className="small">
              {shows(photo.cue)}
              <Form method="post">
                <input type="hidden" name="photo" value={photo.id} />
                <Button type="submit" variant="subtle" size="compact-xs" name="intent" value="drop-photo">
                  delete
                </Button>
              </Form>
            </figcaption>
          </figure>
        ))}
      </div>
      <Form method="post" encType="multipart/form-data" aria-label="A picture">
        <Group align="flex-end" gap="sm">
          <FileInput
            size="xs"
            name="photo"
            label="A picture"
            description="up to 12 MB; it is made smaller and location data is removed"
            placeholder="choose a picture"
            accept="image/*"
            required
            withAsterisk={false}
          />
          <NativeSelect
            size="xs"
            name="cue"
            label="Shows"
            data={[
              { value: '', label: 'this pot' },
              ...Object.entries(CUES).map(([id, cue]) => ({ value: id, label: cue.text })),
            ]}
          />
          <SendButton type="submit" size="xs" variant="default" name="intent" value="photo" busy={busy}>
            Save
          </SendButton>
        </Group>
        {error && <p role="alert">{error}</p>}
      </Form>
    </>
  )
}
