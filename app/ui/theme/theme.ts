import { createTheme, type MantineColorsTuple } from '@mantine/core'

/** The dark blue of an enamel rim, light to dark. */
const rim: MantineColorsTuple = [
  '#eef3f9',
  '#dbe5f0',
  '#b6c9df',
  '#8eabcd',
  '#6b91be',
  '#456fa3',
  '#1f3a60',
  '#1e3557',
  '#192d4a',
  '#13233b',
]

/** The kitchen at night: the same ground as the page, in its steps from ink to dark. */
const dark: MantineColorsTuple = [
  '#e6ecf1',
  '#c4ced6',
  '#a5b3bf',
  '#7d8c99',
  '#4a5966',
  '#33414e',
  '#1f2a35',
  '#18212a',
  '#131a21',
  '#0f151b',
]

export const theme = createTheme({
  primaryColor: 'rim',
  primaryShade: { light: 7, dark: 5 },
  autoContrast: true,
  colors: { rim, dark },
  fontFamily: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif',
  headings: { fontFamily: '"Besley Variable", Georgia, serif', fontWeight: '600' },
  defaultRadius: 'sm',
  cursorType: 'pointer',
})
