import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { setFlagsFromString } from 'node:v8';
import { DatabaseUnfit } from './persistence/openDatabase.ts';
import { usualPasswordWork } from './secrets/nodeSecrets.ts';
import { serve } from './serve.ts';

/** Everything that can be set from outside, in one place; see README, 'Settings'. */
async function main(): Promise<void> {
  const { env } = process;
  if (!env.IVORY_LADDER_DATABASE_URL) throw new DatabaseUnfit('IVORY_LADDER_DATABASE_URL is not set; npm start sets it to a database of its own.');
  const serving = await serve({
    databaseUrl: env.IVORY_LADDER_DATABASE_URL,
    port: Number(env.PORT ?? 4380),
    address: env.IVORY_LADDER_LISTEN ?? '127.0.0.1',
    hosts: (env.IVORY_LADDER_HOSTS ?? '').split(',').filter((host) => host !== ''),
    webFolder: env.IVORY_LADDER_WEB ?? join(dirname(fileURLToPath(import.meta.url)), '..', '..', 'web', 'dist'),
    demo: env.IVORY_LADDER_DEMO === '1',
    isBehindTls: env.IVORY_LADDER_BEHIND_TLS === '1',
    idleMinutes: Number(env.IVORY_LADDER_IDLE_MINUTES ?? 240),
    shareLimits: { ofCompany: Number(env.IVORY_LADDER_COMPANY_MEGABYTES ?? 20_000), ofPerson: Number(env.IVORY_LADDER_PERSON_MEGABYTES ?? 4000) },
    memoryMegabytes: Number(env.IVORY_LADDER_MEMORY_MEGABYTES ?? 512),
    passwordWork: usualPasswordWork,
    mostHeavyAMinute: Number(env.IVORY_LADDER_HEAVY_A_MINUTE ?? 240),
    mailServer: env.IVORY_LADDER_SMTP ? { url: env.IVORY_LADDER_SMTP, from: env.IVORY_LADDER_MAIL_FROM ?? 'Ivory Ladder <ivory-ladder@localhost>' } : null,
    publicUrl: env.IVORY_LADDER_URL?.replace(/\/+$/, '') ?? null,
    isLongRunning: true,
    checkAnswers: env.IVORY_LADDER_CHECK_ANSWERS === '1',
    logLevel: env.LOG_LEVEL ?? 'warn',
    say: (text) => void process.stdout.write(`${text}\n`),
  });
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void serving.stop().then(() => process.exit(0)));
}

// By itself V8 lets the heap grow to several times what is in use before it looks for what can go, which a long import fills.
setFlagsFromString('--heap-growing-percent=30');

main().catch((error: Error & { code?: string }) => {
  const isTaken = error.code === 'EADDRINUSE';
  process.stderr.write(`${error instanceof DatabaseUnfit ? error.message : isTaken ? `The port is taken: ${error.message}` : error.stack}\n`);
  process.exit(1);
});
