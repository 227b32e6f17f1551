import { App as AntApp } from 'antd';
import { BrowserRouter, Route, Routes } from 'react-router-dom';
import { UserMenu } from '../areas/users';
import { Shell } from '../shell/Shell';
import { WorkingsProvider } from '../workings/Workings';
import { pages } from './pages';

/** The frame, and the page of each address in it. */
export const SignedIn = ({ dark, onTheme }: { dark: boolean; onTheme: () => void }) => (
  <AntApp style={{ height: '100%' }}>
    <WorkingsProvider>
      <BrowserRouter>
        <Routes>
          <Route element={<Shell dark={dark} onTheme={onTheme} user={<UserMenu />} />}>{pages}</Route>
        </Routes>
      </BrowserRouter>
    </WorkingsProvider>
  </AntApp>
);
