import { ConfigProvider } from 'antd';
import { useEffect, useState } from 'react';
import { SessionGate } from '../areas/users';
import { lazyView } from '../shell/lazily';
import { antTheme } from '../shell/theme';
import { FaultBoundary } from './FaultBoundary';

const SignedIn = lazyView(() => import('./SignedIn').then((m) => m.SignedIn), 'the frame', 10);

/** The program with its theme; what is behind the sign-in is loaded when somebody is in. */
export function App() {
  const [dark, setDark] = useState(() => localStorage.getItem('theme') === 'dark');
  useEffect(() => {
    document.documentElement.dataset.theme = dark ? 'dark' : 'light';
    localStorage.setItem('theme', dark ? 'dark' : 'light');
  }, [dark]);
  return (
    <ConfigProvider theme={antTheme(dark)}>
      <FaultBoundary>
        <SessionGate>
          <SignedIn dark={dark} onTheme={() => setDark(!dark)} />
        </SessionGate>
      </FaultBoundary>
    </ConfigProvider>
  );
}
