import { Button } from '@mantine/core'
import { Form } from 'react-router'
import classes from './devices.module.css'

/** Who may come in over the network, each with the key that ends it. */
export const AccessList = ({
  rows,
  field,
  intent,
  word,
  label,
}: {
  rows: readonly { id: string; name: string; says: string }[]
  /** Name under which the id is sent. */
  field: string
  intent: string
  word: string
  /** What the key is called for who hears it. */
  label: (name: string) => string
}) => (
  <ul className={classes.sessions}>
    {rows.map(({ id, name, says }) => (
      <li key={id}>
        <span>
          <b className="figure">{name}</b> <span className="quiet">{says}</span>
        </span>
        <Form method="post">
          <input type="hidden" name={field} value={id} />
          <Button
            type="submit"
            name="intent"
            value={intent}
            size="compact-sm"
            variant="subtle"
            aria-label={label(name)}
          >
            {word}
          </Button>
        </Form>
      </li>
    ))}
  </ul>
)
