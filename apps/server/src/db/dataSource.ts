import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { circuitEntity, companyEntity, factEntity, jobEntity, sheetEntity } from '../features/records/records.entity';
import { linkEntity } from '../features/links/links.entity';
import { photoEntity } from '../features/photos/photos.entity';
import { FirstTables1764000000000 } from './migrations/FirstTables1764000000000';
import { ReportLinks1764100000000 } from './migrations/ReportLinks1764100000000';
import { Photos1764200000000 } from './migrations/Photos1764200000000';

/** A data source on the database at `url`; `onPoolError` hears of idle connections that were cut. */
export function createDataSource(url: string, onPoolError: (error: Error) => void): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: [companyEntity, circuitEntity, sheetEntity, jobEntity, factEntity, linkEntity, photoEntity],
    migrations: [FirstTables1764000000000, ReportLinks1764100000000, Photos1764200000000],
    synchronize: false,
    poolErrorHandler: onPoolError,
    extra: { max: 10 },
  });
}
