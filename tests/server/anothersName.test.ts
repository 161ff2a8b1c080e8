import type { Company, History, InstallationView, Invited, LinkView, PersonList, Session } from '@ivory-ladder/contract';
import mysql from 'mysql2/promise';
import { SMTPServer } from 'smtp-server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient, testAdministrator } from '../support/apiClient.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let connection: mysql.Connection;
beforeAll(async () => {
  server = await TestServer.start();
  connection = await mysql.createConnection(server.databaseUrl);
});
afterAll(async () => {
  await connection.end();
  await server.stop();
});

const password = 'wet ropes and dry socks';
const nobody = () => new ApiClient(server.url);
const company = async (name: string, by: ApiClient = server) =>
  (await by.ok<Company>('POST', '/companies', { name, currency: 'EUR', fiscalYearFirstMonth: 1 })).id;
const installation = () => server.ok<InstallationView>('GET', '/installation');
/** The link of the latest letter to somebody, once it has come. */
async function linkTo(recipient: string, subject: RegExp): Promise<string> {
  let token = '';
  await expect
    .poll(
      async () => {
        const letter = (await installation()).letters.find((one) => one.recipient === recipient && subject.test(one.subject));
        token = /\/join#(\S+)/.exec(letter?.content ?? '')?.[1] ?? '';
        return token;
      },
      { timeout: 10_000 },
    )
    .not.toBe('');
  return token;
}

describe('an address that somebody writes down', () => {
  it('gives nothing before its owner accepts, and tells nothing but itself', async () => {
    const [mine, theirs] = [await company('Mine'), await company('Theirs')];
    const { client: known } = await joinCompany(server, theirs, { name: 'Known Elsewhere', email: 'known@example.org', role: 'administrator', password });
    const { client: local } = await joinCompany(server, mine, { name: 'Local Head', email: 'local@example.org', role: 'administrator', password });
    const [first, second] = [
      await local.call<Invited>('POST', `/companies/${mine}/people`, { name: 'Guessed', email: 'known@example.org', role: 'reader' }),
      await local.call<Invited>('POST', `/companies/${mine}/people`, { name: 'Guessed', email: 'unknown@example.org', role: 'reader' }),
    ];
    // Known or not, the answer has the same shape.
    expect([first.status, Object.keys(first.body).sort()]).toEqual([second.status, Object.keys(second.body).sort()]);
    const { people, invitations } = await local.ok<PersonList>('GET', `/companies/${mine}/people`);
    expect(people.map(({ email }) => email)).not.toContain('known@example.org');
    expect(invitations.find(({ email }) => email === 'known@example.org')).toEqual({
      invitationId: first.body.invitationId,
      email: 'known@example.org',
      role: 'reader',
      invitedAt: expect.any(String),
      isOpen: true,
    });
    expect(JSON.stringify(invitations)).not.toContain('Known Elsewhere');
    expect(await known.refused('GET', `/companies/${mine}/people`)).toMatchObject({ code: 'not_found' });
    // Whose administrator could help the person before still can.
    const { people: there } = await server.ok<PersonList>('GET', `/companies/${theirs}/people`);
    const personId = there.find(({ email }) => email === 'known@example.org')?.personId;
    await server.ok('POST', `/companies/${theirs}/people/${personId}/link`);
    await known.ok('POST', '/links/accept', { token: first.body.token });
    await known.ok('GET', `/companies/${mine}`);
  });

  it('whose account somebody else made opens no company of others', async () => {
    const [trap, target] = [await company('Trap'), await company('Target')];
    const { client: attacker } = await joinCompany(server, trap, { name: 'Head', email: 'head@trap.example', role: 'administrator', password });
    // The attacker invites the address of another, and uses the link themselves.
    const { token } = await attacker.ok<Invited>('POST', `/companies/${trap}/people`, { name: 'Victim', email: 'victim@example.org', role: 'reader' });
    const taken = await nobody().enter('/links/use', { token, password });
    const asked = await server.ok<Invited>('POST', `/companies/${target}/people`, { name: 'Victim', email: 'victim@example.org', role: 'administrator' });
    expect((await taken.ok<{ companies: { id: number }[] }>('GET', '/companies')).companies.map(({ id }) => id)).toEqual([trap]);
    expect(await taken.refused('GET', `/companies/${target}`)).toMatchObject({ code: 'not_found' });
    // Neither can the one who has the link take it with another account.
    expect(await attacker.refused('POST', '/links/accept', { token: asked.token })).toMatchObject({ status: 403, code: 'invitation_of_another' });
    expect(await nobody().refused('POST', '/links/use', { token: asked.token, password })).toMatchObject({ status: 409, code: 'account_there_already' });
    // The owner of the address asks for a new password, which ends the attacker's session, and accepts.
    await nobody().ok('POST', '/recovery', { email: 'victim@example.org' });
    const owner = await nobody().enter('/links/use', { token: await linkTo('victim@example.org', /new password/), password: 'nobody knows of this one' });
    expect(await taken.refused('GET', '/companies')).toMatchObject({ code: 'sign_in_needed' });
    await owner.ok('POST', '/links/accept', { token: asked.token });
    await owner.ok('GET', `/companies/${target}`);
  });
});

describe('somebody who has a role but no password', () => {
  it('is taken by nobody who invites their address elsewhere', async () => {
    const [trap, target] = [await company('Trap again'), await company('Target again')];
    // As people were added who never chose a password.
    await connection.query("INSERT INTO person (email, name, created_at) VALUES ('older@example.org', 'Olga Der', UTC_TIMESTAMP())");
    await connection.query("INSERT INTO membership (company_id, person_id, role) SELECT ?, id, 'administrator' FROM person WHERE email = 'older@example.org'", [
      target,
    ]);
    const { token } = await server.ok<Invited>('POST', `/companies/${trap}/people`, { name: 'Taken', email: 'older@example.org', role: 'reader' });
    expect(await nobody().ok<LinkView>('POST', '/links/look', { token })).toMatchObject({ invitation: { hasAccount: true } });
    expect(await nobody().refused('POST', '/links/use', { token, password })).toMatchObject({ status: 409, code: 'account_there_already' });
    await nobody().ok('POST', '/recovery', { email: 'older@example.org' });
    const owner = await nobody().enter('/links/use', { token: await linkTo('older@example.org', /new password/), password });
    expect(await owner.ok<Session>('GET', '/session')).toMatchObject({ person: { name: 'Olga Der' } });
    await owner.ok('GET', `/companies/${target}`);
    await owner.ok('POST', '/links/accept', { token });
  });
});

describe('a link', () => {
  it('stands beside what a stranger asks for, until a password is chosen', async () => {
    const id = await company('Beside');
    const { personId } = await joinCompany(server, id, { email: 'beside-link@example.org', role: 'reader', password });
    const { token } = await server.ok<{ token: string }>('POST', `/companies/${id}/people/${personId}/link`);
    await nobody().ok('POST', '/recovery', { email: 'beside-link@example.org' });
    const asked = await linkTo('beside-link@example.org', /new password/);
    for (const open of [token, asked]) expect((await nobody().call('POST', '/links/look', { token: open })).status).toBe(200);
    await nobody().enter('/links/use', { token, password: 'fog lamps and flat water' });
    const reasons = [];
    for (const gone of [token, asked]) reasons.push((await nobody().refused('POST', '/links/use', { token: gone, password })).facts?.reason);
    expect(reasons).toEqual(['used', 'revoked']);
  });

  it('opens nothing once the rights of its person, or of who made it, are others', async () => {
    const id = await company('Changing');
    const people = `/companies/${id}/people`;
    const { client: head, personId: headId } = await joinCompany(server, id, { name: 'Head', email: 'head@changing.example', role: 'administrator', password });
    const { personId } = await joinCompany(server, id, { name: 'Crew', email: 'crew@changing.example', role: 'reader', password });
    const looked = (token: string) => nobody().call<{ facts?: { reason: string } }>('POST', '/links/look', { token });
    const made = async () => (await head.ok<{ token: string }>('POST', `${people}/${personId}/link`)).token;
    const before = await made();
    expect((await looked(before)).status).toBe(200);
    await server.ok('PUT', `${people}/${personId}`, { role: 'preparer', version: 1 });
    expect((await looked(before)).body.facts?.reason).toBe('revoked');
    expect(await nobody().refused('POST', '/links/use', { token: before, password })).toMatchObject({ facts: { reason: 'revoked' } });
    const [again, asked] = [await made(), await head.ok<Invited>('POST', people, { name: 'New', email: 'new@changing.example', role: 'administrator' })];
    expect([(await looked(again)).status, (await looked(asked.token)).status]).toEqual([200, 200]);
    await server.ok('PUT', `${people}/${headId}`, { role: 'reader', version: 1 });
    expect([(await looked(again)).body.facts?.reason, (await looked(asked.token)).body.facts?.reason]).toEqual(['revoked', 'revoked']);
    expect(await nobody().refused('POST', '/links/use', { token: asked.token, password })).toMatchObject({ facts: { reason: 'revoked' } });
    const kinds = (await installation()).events.map(({ kind }) => kind);
    expect(kinds).toEqual(expect.arrayContaining(['link_made', 'link_refused', 'invited', 'invitation_accepted']));
  });

  it('that was withdrawn is unknown', async () => {
    const id = await company('Withdrawing');
    const { token, invitationId } = await server.ok<Invited>('POST', `/companies/${id}/people`, { name: 'A', email: 'a@withdrawing.example', role: 'reader' });
    await server.ok('DELETE', `/companies/${id}/invitations/${invitationId}`);
    expect(await nobody().refused('POST', '/links/look', { token })).toMatchObject({ facts: { reason: 'unknown' } });
    const { events } = await server.ok<History>('GET', `/companies/${id}/history?thing=invitation`);
    expect(events.map(({ action, actor }) => [action, actor])).toEqual([
      ['deleted', testAdministrator.name],
      ['added', testAdministrator.name],
    ]);
  });
});

describe('a lost password', () => {
  it('is made anew by mail, within an hour; whether the address is known shows in nothing', async () => {
    const id = await company('Lost');
    await joinCompany(server, id, { email: 'lost@example.org', role: 'reader', password });
    const [known, unknown] = [
      await nobody().call('POST', '/recovery', { email: 'lost@example.org' }),
      await nobody().call('POST', '/recovery', { email: 'nobody-at-all@example.org' }),
    ];
    expect([known.status, unknown.status]).toEqual([204, 204]);
    const token = await linkTo('lost@example.org', /new password/);
    expect(await nobody().ok<LinkView>('POST', '/links/look', { token })).toMatchObject({ opens: 'password', email: 'lost@example.org' });
    const back = await nobody().enter('/links/use', { token, password: 'found behind the sofa' });
    expect(await back.ok<Session>('GET', '/session')).toMatchObject({ person: { email: 'lost@example.org' } });
    const { letters } = await installation();
    expect(letters.filter(({ recipient }) => recipient === 'lost@example.org').map(({ subject }) => subject)).toContain('Your password was changed');
    expect(letters.filter(({ recipient }) => recipient === 'nobody-at-all@example.org')).toEqual([]);
  });

  it('is asked for from one origin so often and no more', async () => {
    await connection.query('DELETE FROM sign_in_pause');
    const answers = [];
    for (let round = 0; round < 24; round++) answers.push((await nobody().call('POST', '/recovery', { email: `flood${round}@example.org` })).status);
    expect([new Set(answers), answers[0], answers.at(-1)]).toEqual([new Set([204, 429]), 204, 429]);
    await connection.query('DELETE FROM sign_in_pause');
  });

  it('is helped by who keeps the installation, and by nobody else', async () => {
    const id = await company('Helped');
    const { client: other } = await joinCompany(server, id, { email: 'helped@example.org', role: 'administrator', password });
    expect(await other.refused('POST', '/installation/links', { email: testAdministrator.email })).toMatchObject({
      status: 403,
      code: 'installation_not_kept',
    });
    expect(await other.refused('GET', '/installation')).toMatchObject({ code: 'installation_not_kept' });
    const { token } = await server.ok<{ token: string }>('POST', '/installation/links', { email: 'helped@example.org' });
    await nobody().enter('/links/use', { token, password: 'a helping hand on deck' });
  });
});

describe('what is on record', () => {
  it('tells two people of one name apart', async () => {
    const id = await company('Namesakes');
    const twins = [];
    for (const at of [1, 2]) {
      const { client, personId } = await joinCompany(server, id, { name: 'Signe Tarn', email: `signe${at}@example.org`, role: 'administrator', password });
      await client.ok('POST', `/companies/${id}/years`, { day: `${2025 + at}-05-01` });
      twins.push(personId);
    }
    const { events } = await server.ok<History>('GET', `/companies/${id}/history?thing=year`);
    expect(events.map(({ actor, actorId, who }) => [actor, actorId, who])).toEqual(
      [...twins].reverse().map((personId) => ['Signe Tarn', personId, `Signe Tarn (person ${personId})`]),
    );
    const file = new TextDecoder().decode(await server.bytes(`/companies/${id}/history/csv?thing=year`));
    expect(twins.every((personId) => file.includes(`,Signe Tarn (person ${personId}),`))).toBe(true);
    const { events: others } = await server.ok<History>('GET', `/companies/${id}/history?thing=company`);
    expect(others.map(({ who }) => who)).toEqual([testAdministrator.name]);
  });

  it('has exports, sign-ins good and failed, by person id', async () => {
    const id = await company('Exporting');
    const { client, personId } = await joinCompany(server, id, { email: 'exporting@example.org', role: 'reader', password });
    await client.bytes(`/companies/${id}/chart/file?kind=csv`);
    await new ApiClient(server.url).call('POST', '/session', { email: 'exporting@example.org', password: 'not this one' });
    await nobody().enter('/session', { email: 'exporting@example.org', password });
    const { events } = await installation();
    const of = (kind: string) => events.filter((event) => event.kind === kind && (event.actorId === personId || event.personId === personId));
    expect(of('exported')[0]).toMatchObject({ actorId: personId, companyId: id, facts: { operation: 'exportChart' } });
    expect([of('sign_in_failed').length, of('signed_in').length]).toEqual([1, 1]);
  });
});

describe('a mail server', () => {
  it('gets each letter once; what opens something is blotted out of what went', async () => {
    const got: string[] = [];
    const smtp = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      onData: (stream, _session, done) => {
        let text = '';
        stream.on('data', (part: Buffer) => {
          text += part.toString();
        });
        stream.on('end', () => {
          got.push(text);
          done();
        });
      },
    });
    await new Promise<void>((resolve) => smtp.listen(0, '127.0.0.1', () => resolve()));
    const { port } = smtp.server.address() as { port: number };
    const mailing = await TestServer.start({ mailServer: { url: `smtp://127.0.0.1:${port}`, from: 'Ivory Ladder <office@example.org>' } });
    try {
      const { id } = await mailing.ok<Company>('POST', '/companies', { name: 'Mailing', currency: 'EUR', fiscalYearFirstMonth: 1 });
      const { token } = await mailing.ok<Invited>('POST', `/companies/${id}/people`, { name: 'Nils Berg', email: 'nils@mailing.example', role: 'reader' });
      await expect.poll(() => got.length).toBe(1);
      expect(got[0]?.replaceAll('=\r\n', '')).toContain(token);
      await expect.poll(async () => (await mailing.ok<InstallationView>('GET', '/installation')).letters[0]?.state).toBe('sent');
      const [letter] = (await mailing.ok<InstallationView>('GET', '/installation')).letters;
      expect(letter?.content).not.toContain(token);
    } finally {
      await mailing.stop();
      await new Promise<void>((resolve) => smtp.close(() => resolve()));
    }
  });
});
