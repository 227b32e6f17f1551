import { Drawer } from 'antd';
import type { Shown } from './Workings';
import { WorkingsTable } from './WorkingsTable';

/** The workings of a figure beside the page. */
export const WorkingsDrawer = ({ shown, onClose }: { shown: Shown; onClose: () => void }) => (
  <Drawer open onClose={onClose} title={shown.title} size={620}>
    {/* Focusable, so that a long derivation can be scrolled by keyboard. */}
    <div tabIndex={0} role="group" aria-label={shown.title}>
      <WorkingsTable workings={shown.workings} />
    </div>
  </Drawer>
);
