import type { Request } from 'express';

/** Whose data a request is about. Until there is sign-in this is always the demo company; every query already asks for it. */
export type CompanyOf = (request: Request) => Promise<string>;
