import { Button, Group, Slider } from '@mantine/core'
import { useState } from 'react'
import { CARD_MM, scaleFromCard, SCREEN_LIMITS } from '#core/units/screen-scale'
import classes from './ruler.module.css'

/** A phone's scale until it was calibrated with a card, px/mm. */
const USUAL = 5.6
const STEP = 0.5

/** Lays a bank card on the screen: the outline is drawn as wide as its short side. */
export function CardMatch({ first, onKeep }: { first: number | undefined; onKeep: (scale: number) => void }) {
  const [px, setPx] = useState((first ?? USUAL) * CARD_MM.short)
  const [min, max] = SCREEN_LIMITS.px_per_mm
  return (
    <section aria-label="Set the screen’s size with a bank card" className={classes.match}>
      <p>
        Hold a bank card on the screen, left edge at the dark line. Move the slider until the outline is as
        wide as the card.
      </p>
      <div
        className={classes.card}
        style={{ width: px, height: Math.min(px * (CARD_MM.long / CARD_MM.short), 240) }}
        aria-hidden
      />
      <Slider
        thumbLabel="As wide as the card"
        value={px}
        onChange={setPx}
        min={min * CARD_MM.short}
        max={Math.min(max * CARD_MM.short, 660)}
        step={STEP}
        label={null}
      />
      <Group mt="xs" gap="sm">
        <Button variant="default" onClick={() => setPx(px - STEP)} aria-label="Slightly narrower">
          −
        </Button>
        <Button variant="default" onClick={() => setPx(px + STEP)} aria-label="A hair wider">
          +
        </Button>
        <Button onClick={() => onKeep(scaleFromCard(px))}>Matches the card</Button>
      </Group>
    </section>
  )
}
