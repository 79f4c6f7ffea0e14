import { useQueryClient } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { createApi } from '../api/client';
import { State } from '../ui/State';
import { openDatabase, type Database } from './database';
import { Sync, type SyncStatus } from './Sync';

interface Store {
  db: Database;
  sync: Sync;
}
const Context = createContext<Store | null>(null);

/** Opens the device's store before anything is shown, and keeps it in step with the server. */
export function SyncProvider({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const [store, setStore] = useState<Store | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let dropped = false;
    let sync: Sync | null = null;
    const run = () => void sync?.run();
    const seen = () => {
      if (document.visibilityState === 'visible') run();
    };
    openDatabase().then(
      (db) => {
        if (dropped) return db.close();
        sync = new Sync(db, createApi(), () => void client.invalidateQueries({ queryKey: ['records'] }));
        setStore({ db, sync });
        void sync.begin();
        window.addEventListener('online', run);
        document.addEventListener('visibilitychange', seen);
      },
      () => setFailed(true),
    );
    return () => {
      dropped = true;
      window.removeEventListener('online', run);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [client]);
  if (failed)
    return (
      <State
        title="This browser keeps no data"
        text="Jumper stores readings on the device before it sends them. Private windows and some settings forbid that: open it in an ordinary window."
      />
    );
  if (!store) return null;
  return <Context.Provider value={store}>{children}</Context.Provider>;
}

export function useStore(): Store {
  const store = useContext(Context);
  if (!store) throw new Error('SyncProvider is missing');
  return store;
}

export function useSyncStatus(): SyncStatus {
  const { sync } = useStore();
  return useSyncExternalStore(sync.subscribe, sync.getStatus);
}
