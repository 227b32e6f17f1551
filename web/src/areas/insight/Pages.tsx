import { Pagination } from 'antd';

/** The pages of a list that does not fit on one. */
export const Pages = ({
  page,
  size,
  total,
  onChange,
}: {
  page: number;
  size: number;
  total: number;
  onChange: (page: number) => void;
}) => (
  <Pagination
    className="pad"
    size="small"
    align="end"
    current={page}
    total={total}
    pageSize={size}
    showSizeChanger={false}
    showTotal={(all, [from, to]) => `${from} to ${to} of ${all}`}
    onChange={onChange}
  />
);
