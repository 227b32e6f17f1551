import { useQuery } from '@tanstack/react-query';
import { getSessionOptions } from '../api/generated/@tanstack/react-query.gen';
import type { Role } from '../api/generated';
import { roles } from '../words/people';

export const useSession = () => useQuery({ ...getSessionOptions(), staleTime: Infinity });

export const useUser = () => useSession().data?.user ?? null;

/** Whether a role covers what is for another one or a later one. */
export const covers = (role: Role | undefined, least: Role) =>
  role !== undefined && roles.indexOf(role) >= roles.indexOf(least);

/** Whether who is signed in may do what is for this role or a later one. The server decides; this only spares useless buttons. */
export function useMay() {
  const role = useUser()?.role;
  return (least: Role) => covers(role, least);
}
