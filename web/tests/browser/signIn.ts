import { request, type FullConfig } from '@playwright/test';
import { signedIn } from '../../playwright.config';

/** Signs the demo's administrator in once for all tests. */
export default async function signIn(config: FullConfig) {
  const context = await request.newContext({ baseURL: config.projects[0].use.baseURL });
  const answer = await context.post('/api/session', { data: { name: 'castellane', password: 'salt-marsh-demo' } });
  if (!answer.ok()) throw new Error(`The demo lets nobody in: ${answer.status()} ${await answer.text()}`);
  await context.storageState({ path: signedIn });
  await context.dispose();
}
