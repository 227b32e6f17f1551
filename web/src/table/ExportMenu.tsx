import { Button, Dropdown, type MenuProps } from 'antd';

type Item = NonNullable<MenuProps['items']>[number];

/** A link that downloads what it names. */
export const download = (key: string, href: string, label: string): Item => ({
  key,
  label: <a href={href}>{label}</a>,
});

/** What can be taken out of a view, as files. */
export const ExportMenu = ({ items, children = 'Export' }: { items: Item[]; children?: string }) => (
  <Dropdown trigger={['click']} menu={{ items }}>
    <Button>{children}</Button>
  </Dropdown>
);
