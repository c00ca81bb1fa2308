import { Button, type ButtonProps } from '@mantine/core'
import type { ComponentPropsWithoutRef } from 'react'

type SendButtonProps = ButtonProps &
  Omit<ComponentPropsWithoutRef<'button'>, keyof ButtonProps> & {
    /** What it sent is under way: a press does nothing, and the focus stays on it. */
    busy: boolean
  }

/** The key of a form that sends. A disabled one would lose the focus, and with it the place of who uses keys. */
export const SendButton = ({ busy, onClick, ...props }: SendButtonProps) => (
  <Button
    type="button"
    {...props}
    aria-busy={busy || undefined}
    opacity={busy ? 0.6 : undefined}
    onClick={(event) => {
      if (busy) event.preventDefault()
      else onClick?.(event)
    }}
  />
)
