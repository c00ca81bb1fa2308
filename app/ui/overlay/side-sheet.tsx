import { Drawer, type DrawerProps } from '@mantine/core'
import { useBackCloses } from './back-closes'

/** A sheet at the side of the page, or at its lower edge: closed by its key, by Esc, beside it, or by a step back. */
export function SideSheet({ closes = 'Close', ...props }: DrawerProps & { closes?: string }) {
  useBackCloses(props.opened, props.onClose)
  return <Drawer position="right" lockScroll={false} closeButtonProps={{ 'aria-label': closes }} {...props} />
}
