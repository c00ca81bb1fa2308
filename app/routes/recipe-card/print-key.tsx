import { Button } from '@mantine/core'

export const PrintKey = () => (
  <Button size="sm" onClick={() => window.print()}>
    Print
  </Button>
)
