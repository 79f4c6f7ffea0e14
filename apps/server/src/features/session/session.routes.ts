import { Router } from 'express';
import type { Session } from '@jumper/contract';
import type { CompanyOf } from './CompanyOf';

export function sessionRoutes(companyOf: CompanyOf, nameOf: (companyId: string) => Promise<string>): Router {
  const router = Router();
  router.get('/session', async (request, response) => {
    const companyId = await companyOf(request);
    const answer: Session = { company: { id: companyId, name: await nameOf(companyId) }, person: { name: 'Technician' } };
    response.json(answer);
  });
  return router;
}
