import type { AccountAllowanceShape, ContactKind, Delivery, Role } from '../api/generated';

/** Which short-pay allowance holds for an account. */
export const allowanceChoices: Record<NonNullable<AccountAllowanceShape['choice']>, string> = {
  company: 'the company’s',
  own: 'one of its own',
  barred: 'none: every shortfall stays open',
};

/** From the least to the most that may be done. */
export const roles: Role[] = ['viewer', 'controller', 'manager', 'administrator'];

export const roleNames: Record<Role, string> = {
  viewer: 'Viewer',
  controller: 'Controller',
  manager: 'Manager',
  administrator: 'Administrator',
};

export const contactKinds: Record<ContactKind, string> = {
  call: 'Call',
  letter: 'Letter',
  email: 'E-mail',
  note: 'Note',
};

export const deliveries: Record<Delivery, string> = { print: 'print', email: 'e-mail' };
