import classes from './range.module.css'

interface RangeProps {
  /** What is moved. */
  label: string
  value: number
  min: number
  max: number
  step?: number
  /** The value in words. */
  says?: string
  onChange: (value: number) => void
}

/** A figure moved along a line: the browser's own slider, for fingers, mice and keys alike. */
export function Range({ label, value, min, max, step = 1, says, onChange }: RangeProps) {
  return (
    <input
      type="range"
      className={classes.range}
      aria-label={label}
      aria-valuetext={says}
      min={min}
      max={max}
      step={step}
      value={value}
      onChange={(event) => onChange(Number(event.currentTarget.value))}
    />
  )
}
