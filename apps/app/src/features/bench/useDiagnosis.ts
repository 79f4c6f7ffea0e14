import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Case } from '@jumper/core';
import { askJudge, Overtaken } from '../../workers/judgeClient';

/** The judge's answer for a case. While a new one is worked out the last stays; `isPlaceholderData` says so. The key is the case itself. */
export function useDiagnosis(input: Case | null) {
  return useQuery({
    queryKey: ['diagnosis', JSON.stringify(input)],
    queryFn: () => askJudge(input!),
    enabled: input !== null,
    networkMode: 'always',
    staleTime: Infinity,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
    retry: (times, error) => error instanceof Overtaken && times < 3,
    retryDelay: 50,
  });
}
