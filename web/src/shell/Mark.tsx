/** The kite. */
export const Mark = () => (
  <svg width="22" height="26" viewBox="0 0 22 26" aria-hidden="true">
    <path d="M11 1 20 10 11 19 2 10Z" fill="#9CC4BC" />
    <path d="M11 1V19M2 10H20" stroke="#15303A" />
    <path d="M11 19q3 2 0 3.5T11 26" fill="none" stroke="#9CC4BC" strokeWidth="1.4" />
  </svg>
);
