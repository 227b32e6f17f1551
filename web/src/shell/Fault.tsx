import { Button } from 'antd';

/** What is shown when a page fails. Nothing posted is affected. */
export const Fault = () => (
  <main className="page">
    <section className="card pad" role="alert" style={{ maxWidth: 560 }}>
      <h1>This page could not be shown</h1>
      <p>
        What was posted is safe. Load the page again; if it happens again, tell whoever looks after the program which
        page it was.
      </p>
      <Button type="primary" onClick={() => window.location.reload()}>
        Load it again
      </Button>
    </section>
  </main>
);
