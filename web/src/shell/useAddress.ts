import { useSearchParams } from 'react-router-dom';

/** The view in the address, and a way to change parts of it; a part that is empty is left out. */
export function useAddress() {
  const [search, setSearch] = useSearchParams();
  const change = (next: Record<string, string>) => {
    // From the address as it is now: two changes may come before the page is drawn again.
    const params = new URLSearchParams(window.location.search);
    for (const [key, value] of Object.entries(next)) {
      if (value) params.set(key, value);
      else params.delete(key);
    }
    setSearch(params, { replace: true });
  };
  return { search, change, replace: (query: string) => setSearch(new URLSearchParams(query)) };
}
