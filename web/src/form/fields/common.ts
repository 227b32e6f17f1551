import type { ReactNode } from 'react';
import type { Problem } from '../../api/problem';

export type Name = string | (string | number)[];

/** What all fields of a form have in common. */
export interface Common {
  name: Name;
  label: ReactNode;
  extra?: ReactNode;
  placeholder?: string;
  disabled?: boolean;
  /** What is known to be wrong before the form is sent. */
  wrong?: Problem | null;
}

/** How a problem of the field is shown. */
export const told = (name: Name, wrong: Problem | null | undefined) => {
  const errors = wrong?.errors[Array.isArray(name) ? name.join('.') : name];
  return errors ? ({ validateStatus: 'error', help: errors[0] } as const) : {};
};
