import { Dialog } from '../form/Dialog';

const groups: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['1 2 3 4 5', 'Today, Accounts, Orders, Cash, Policies'],
      ['/', 'find an account or document, or do something'],
      ['N', 'new account'],
      ['?', 'this list'],
      ['Esc', 'back, or close'],
    ],
  ],
  [
    'Lists',
    [
      ['J K', 'down and up'],
      ['Enter', 'open'],
      ['→ ←', 'unfold and fold a group'],
    ],
  ],
  [
    'Today',
    [
      ['Enter', 'do what the entry needs'],
      ['O', 'open its account'],
      ['P', 'put it off to a later day'],
    ],
  ],
  [
    'Orders',
    [
      ['O', 'check an order'],
      ['R', 'release'],
      ['D', 'ask for a deposit'],
      ['X', 'decline'],
      ['V', 'make an invoice of it'],
      ['C', 'change the amount'],
    ],
  ],
  [
    'An account',
    [
      ['R', 'take a payment'],
      ['C', 'raise the late charge'],
      ['M', 'issue the next reminder'],
      ['L', 'change the limit'],
      ['S', 'change the state'],
      ['T', 'terms and policies'],
      ['D', 'the date to settle on'],
      ['W', 'workings of exposure, or of the focused row'],
    ],
  ],
];

/** All keys, by where they work. */
export function KeyHelp({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" width={520} onClose={onClose}>
      {groups.map(([title, keys]) => (
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
