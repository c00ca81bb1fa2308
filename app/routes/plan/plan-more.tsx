import { Stack } from '@mantine/core'
import { Link } from 'react-router'
import SaveWay from '../../ui/forms/save-way'

/** What else can be done with a plan. */
export default function PlanMore({ search }: { search: string }) {
  return (
    <Stack gap="xs">
      <SaveWay search={search} />
      <Link to={`/my-way?${search}`}>check my own steps</Link>
      <Link to={`/taste-tests?${search}`}>taste test</Link>
      <Link to={`/meal/split?${search}`}>split between pots</Link>
    </Stack>
  )
}
