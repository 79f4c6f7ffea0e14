import { useQuery } from '@tanstack/react-query';
import { session, type Session } from '@jumper/contract';

const KEY = 'jumper.session';

/** Who signs the report. Asked of the server when it can be reached, else as it was last known here. */
export function useSession(): Session | null {
  const { data } = useQuery({
    queryKey: ['session'],
    queryFn: async () => {
      const answer = await fetch('/api/session').catch(() => null);
      const parsed = answer?.ok ? session.safeParse(await answer.json().catch(() => null)) : null;
      if (!parsed?.success) return kept();
      localStorage.setItem(KEY, JSON.stringify(parsed.data));
      return parsed.data;
    },
    networkMode: 'always',
    staleTime: 600_000,
  });
  return data ?? null;
}

function kept(): Session | null {
  try {
    return session.parse(JSON.parse(localStorage.getItem(KEY) ?? 'null'));
  } catch {
    return null;
  }
}
