import { useQuery } from '@tanstack/react-query';
import { getMailOptions, listMailOptions } from '../../api/generated/@tanstack/react-query.gen';
import { moment } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { useAddress } from '../../shell/useAddress';
import { Choices } from '../../table/Choices';

/** What arrived at the simulated mail server, as its receivers would read it. */
export function Mailbox() {
  const { search, change } = useAddress();
  const query = useQuery({ ...listMailOptions(), refetchInterval: 3000 });
  const items = query.data ?? [];
  const chosen = items.find((m) => m.name === search.get('mail')) ?? items[0];
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
            <div className="card">
              <Choices
                label="E-mails that arrived"
                chosen={chosen?.name ?? ''}
                onChoose={(mail) => change({ mail })}
                choices={mails.map((m) => ({ key: m.name, title: m.subject, whom: m.to, when: moment(m.at) }))}
              />
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
