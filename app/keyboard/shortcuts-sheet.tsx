import { Modal } from '@mantine/core'
import { Link } from 'react-router'
import { useBackCloses } from '../ui/overlay/back-closes'
import { KEY_ACT_IDS, KEY_ACTS } from './bindings'
import { useBindings } from './use-keys'
import classes from './shortcuts-sheet.module.css'

/** Every key and what it does, as it is on this device. */
export default function AllKeys({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  const { keys } = useBindings()
  useBackCloses(opened, onClose)
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      lockScroll={false}
      title="Keyboard shortcuts"
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <table className={classes.keys}>
        <tbody>
          {KEY_ACT_IDS.map((id) => (
            <tr key={id}>
              <th scope="row">
                <kbd>{keys[id]}</kbd>
              </th>
              <td>{KEY_ACTS[id].says}</td>
              <td className="quiet">{KEY_ACTS[id].where}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">
        Sliders move with the arrow keys.{' '}
        <Link to="/settings/keys" onClick={onClose}>
          Change or turn off shortcuts
        </Link>
      </p>
    </Modal>
  )
}
