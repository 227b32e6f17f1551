import { useQuery } from '@tanstack/react-query';
import { getSession } from '../../api/generated';
import { answer } from '../../api/problem';

export type Role = 'viewer' | 'controller' | 'manager' | 'administrator';

export const roles: Role[] = ['viewer', 'controller', 'manager', 'administrator'];

export const roleNames: Record<Role, string> = {
  viewer: 'Viewer',
  controller: 'Controller',
  manager: 'Manager',
  administrator: 'Administrator',
};

export const useSession = () =>
  useQuery({ queryKey: ['session'], queryFn: () => answer(getSession()), staleTime: Infinity });

export const useUser = () => useSession().data?.user ?? null;

/** Whether who is signed in may do what is for this role or a later one. The server decides; this only spares useless buttons. */
export function useMay() {
  const role = useUser()?.role as Role | undefined;
  return (least: Role) => role !== undefined && roles.indexOf(role) >= roles.indexOf(least);
}
