import type { TestProject } from 'vitest/node';
import { openDatabases } from '../../scripts/lib/database';

declare module 'vitest' {
  interface ProvidedContext {
    admin: string;
  }
}

/** A real PostgreSQL for the store tests; each file makes databases of its own on it. */
export default async function setup(project: TestProject) {
  const databases = await openDatabases('test');
  project.provide('admin', await databases.ensure('good_shelf_tests'));
  return () => databases.stop();
}
