import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { v7 } from 'uuid';
import type { SheetRecord } from '@jumper/contract';
import type { CircuitSheet } from '@jumper/core';
import { useStore } from '../../offline/SyncProvider';

/** Keeps a changed sheet as a new version of its circuit; the old ones stay. */
export function useSaveSheet() {
  const { sync } = useStore();
  const client = useQueryClient();
  return useCallback(
    async (of: { circuitId: string; site: string; town?: string | undefined; sheet: CircuitSheet; assumed: string[] }): Promise<void> => {
      const { circuitId, site, town, sheet, assumed } = of;
      const record: SheetRecord = {
        id: v7(),
        circuitId,
        recordedAt: new Date().toISOString(),
        site,
        ...(town ? { town } : {}),
        sheet: sheet as never,
        assumed,
      };
      await sync.save([{ kind: 'sheet', record }]);
      await client.invalidateQueries({ queryKey: ['records'] });
    },
    [sync, client],
  );
}
