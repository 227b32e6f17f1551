import { Dialog } from '../form/Dialog';
import { keyNames } from './keyNames';

/** All keys, by where they work. */
export function KeyHelp({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" width={520} onClose={onClose}>
      {keyNames.map(([title, keys]) => (
        <section key={title} style={{ marginTop: 10 }}>
          <h3>{title}</h3>
          <table className="lines">
            <tbody>
              {keys.map(([key, what]) => (
                <tr key={key}>
                  <th scope="row" style={{ width: 90 }}>
                    {key.split(' ').map((k) => (
                      <kbd key={k} style={{ marginLeft: 0, marginRight: 4 }}>
                        {k}
                      </kbd>
                    ))}
                  </th>
                  <td>{what}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </Dialog>
  );
}
