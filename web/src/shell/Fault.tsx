import { Button, Result } from 'antd';

/** What is shown when a page fails. Nothing posted is affected. */
export function Fault() {
  return (
    <Result
      status="warning"
      title="This page could not be shown"
      subTitle={
        'What was posted is safe. Load the page again; if it happens again, ' +
        'tell whoever looks after the program which page it was.'
      }
      extra={<Button onClick={() => window.location.reload()}>Load it again</Button>}
    />
  );
}
