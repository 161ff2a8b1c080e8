import { execFile } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testAdministrator } from '../support/apiClient.ts';
import { TestServer } from '../support/server.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.start();
});
afterAll(() => server.stop());

function blocks(markdown: string, language: string): string[] {
  return [...markdown.matchAll(new RegExp(`^\`\`\`${language}\n([\\s\\S]*?)^\`\`\``, 'gm'))].map((match) => match[1] as string);
}

describe('the walk in docs/api.md', () => {
  it('does what the page says, from an empty company to a downloaded workbook', async () => {
    const page = readFileSync(join(root, 'docs', 'api.md'), 'utf8');
    const folder = mkdtempSync(join(tmpdir(), 'api-walk-'));
    cpSync(join(root, 'examples'), join(folder, 'examples'), { recursive: true });
    const { stdout } = await promisify(execFile)('bash', ['-euo', 'pipefail', '-c', blocks(page, 'sh').join('\n')], {
      cwd: folder,
      env: { ...process.env, BASE: server.serving.url, EMAIL: testAdministrator.email, PASSWORD: testAdministrator.password },
    });
    expect(stdout).toBe(blocks(page, 'text')[0]);
    expect(readFileSync(join(folder, 'boatyard.xlsx')).subarray(0, 2).toString()).toBe('PK');
  });
});
