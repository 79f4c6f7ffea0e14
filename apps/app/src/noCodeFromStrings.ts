import { z } from 'zod';

// The page's own policy forbids code from strings. Zod probes for it when a schema is made, so this is imported before any schema.
z.config({ jitless: true });
