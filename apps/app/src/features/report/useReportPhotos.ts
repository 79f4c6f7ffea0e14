import { useQuery } from '@tanstack/react-query';
import type { JobParts } from '@jumper/contract';
import { useStore } from '../../offline/SyncProvider';
import { photoList } from '../photos/photoList';
import { dataAddress } from '../photos/usePhotos';
import { schematicView } from '../schematic/schematicView';
import { longDay } from '../units/dates';
import { METRIC } from '../units/units';
import type { ReportPhoto } from './reportDocument';

/** As many as fit on a page beside the rest. */
const MOST = 6;

/** This visit's photos for the report, the newest first; those that are not on the device and cannot be fetched are left out. */
export function useReportPhotos(parts: JobParts) {
  const { sync } = useStore();
  const photos = photoList(parts.facts).slice(0, MOST);
  return useQuery({
    queryKey: ['report-photos', ...photos.map((p) => p.photo)],
    networkMode: 'always',
    queryFn: async (): Promise<ReportPhoto[]> => {
      const titles = new Map(schematicView(parts.sheet.sheet as never, METRIC).parts.map((p) => [p.id, p.title]));
      const found = await Promise.all(photos.map(async (p) => ({ p, jpeg: await sync.photo(p.jobId, p.photo) })));
      return Promise.all(
        found.flatMap(({ p, jpeg }) =>
          jpeg ? [dataAddress(jpeg).then((address) => ({ address, line: `${titles.get(p.of) ?? 'The plant'}, ${longDay(p.at)}` }))] : [],
        ),
      );
    },
  });
}
