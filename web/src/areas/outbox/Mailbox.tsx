import { useQuery } from '@tanstack/react-query';
import { getMailOptions, listMailOptions } from '../../api/generated/@tanstack/react-query.gen';
import { moment } from '../../format/dates';
import { useKeys } from '../../shell/keys';
import { Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { stepped } from '../../table/useListKeys';

/** What arrived at the simulated mail server, as its receivers would read it. */
export function Mailbox() {
  const { search, change } = useAddress();
  const query = useQuery({ ...listMailOptions(), refetchInterval: 3000 });
  const items = query.data ?? [];
  const chosen = items.find((m) => m.name === search.get('mail')) ?? items[0];
  const at = items.findIndex((m) => m.name === chosen?.name);
  const step = (by: number) => {
    const to = items[stepped(at, by, items.length)];
    if (to) change({ mail: to.name });
  };
  useKeys({ j: () => step(1), k: () => step(-1), ArrowDown: () => step(1), ArrowUp: () => step(-1) });
  return (
    <Loaded query={query} what="the mailbox" lines={8}>
      {(mails) =>
        mails.length === 0 ? (
          <div className="card pad muted">
            Nothing arrived yet. What is sent by e-mail is given to a mail server that ships with the program, and can
            be read here.
          </div>
        ) : (
          <div className="split cash-split">
            <div className="card queue" role="listbox" aria-label="E-mails that arrived">
              {mails.map((m) => (
                <button
                  key={m.name}
                  type="button"
                  role="option"
                  aria-selected={m.name === chosen?.name}
                  className={m.name === chosen?.name ? 'on' : ''}
                  onClick={() => change({ mail: m.name })}
                >
                  <b className="clip">{m.subject}</b>
                  <span className="row-between small muted">
                    <span className="clip">{m.to}</span>
                    <span className="nowrap">{moment(m.at)}</span>
                  </span>
                </button>
              ))}
            </div>
            {chosen && <Mail name={chosen.name} />}
          </div>
        )
      }
    </Loaded>
  );
}

function Mail({ name }: { name: string }) {
  const query = useQuery(getMailOptions({ path: { name } }));
  return (
    <section className="card pad" aria-label="The e-mail in hand">
      <Loaded query={query} what="the e-mail" lines={8}>
        {(mail) => (
          <>
            <h2 className="in-hand-name">{mail.subject}</h2>
            <p className="muted small">
              From {mail.from} to {mail.to}
            </p>
            <div className="message-text">
              <p>{mail.text}</p>
            </div>
            <p className="row-gap">
              {mail.files.map((f) => (
                <span key={f} className="chip">
                  {f}
                </span>
              ))}
              <a href={`/api/mailbox/${encodeURIComponent(name)}/eml`}>The whole e-mail (.eml)</a>
            </p>
          </>
        )}
      </Loaded>
    </section>
  );
}
