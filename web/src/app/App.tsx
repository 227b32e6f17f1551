import { App as AntApp, ConfigProvider } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { createBrowserRouter, RouterProvider } from 'react-router-dom';
import { SessionGate, UserMenu } from '../areas/users';
import { Fault } from '../shell/Fault';
import { Shell } from '../shell/Shell';
import { antTheme } from '../shell/theme';
import { WorkingsProvider } from '../workings/Workings';
import { pages } from './pages';

/** The frame with its theme, and the page of each address in it, behind the sign-in. */
export function App() {
  const [dark, setDark] = useState(() => localStorage.getItem('theme') === 'dark');
  useEffect(() => {
    document.documentElement.dataset.theme = dark ? 'dark' : 'light';
    localStorage.setItem('theme', dark ? 'dark' : 'light');
  }, [dark]);
  const router = useMemo(
    () =>
      createBrowserRouter([
        {
          errorElement: <Fault />,
          element: <Shell dark={dark} onTheme={() => setDark(!dark)} user={<UserMenu />} />,
          children: pages,
        },
      ]),
    [dark],
  );
  return (
    <ConfigProvider theme={antTheme(dark)}>
      <AntApp style={{ height: '100%' }}>
        <SessionGate>
          <WorkingsProvider>
            <RouterProvider router={router} />
          </WorkingsProvider>
        </SessionGate>
      </AntApp>
    </ConfigProvider>
  );
}
