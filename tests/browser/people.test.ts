import type { Company, Session } from '@ivory-ladder/contract';
import { Secret, TOTP } from 'otpauth';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient, enterDemo, testAdministrator } from '../support/apiClient.ts';
import { launchBrowser, seriousFindings, visit } from '../support/browser.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let browser: Browser;
let server: TestServer;
beforeAll(async () => {
  [browser, server] = [await launchBrowser(), await TestServer.start()];
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

/** As a device does it. */
const deviceCode = (secret: string, steps: number) => new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + steps * 30_000 });

/** What the browser itself says of an answer that was to be expected. */
const refused = /status of 40[139]|status of 422/;

describe('people', () => {
  it('an administrator adds somebody, who comes by the link, is where they wanted to go, and leaves', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', { name: 'Quay Stores', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const { page: office, expectQuiet: officeQuiet } = await visit(browser, server.cookie, `${server.url}/companies/${id}/people`);
    await office.getByLabel('Name').fill('Nora Quill');
    await office.getByLabel('E-mail').fill('nora.quill@example.org');
    await office.getByRole('button', { name: 'Invite', exact: true }).click();
    const link = await office.locator('code').textContent();
    expect(await seriousFindings(office)).toEqual([]);

    const { page, expectQuiet } = await visit(browser, '', String(link));
    await page.getByRole('heading', { name: 'You are invited to Quay Stores' }).waitFor();
    await page.getByLabel('New password').fill('nora.quill12');
    await page.getByText(/little more than your name/).waitFor();
    await page.getByLabel('New password').fill('herring in a barrel');
    await page.getByLabel('The same again').fill('herring in a barrel');
    expect(await seriousFindings(page)).toEqual([]);
    await page.getByRole('button', { name: 'Set the password and enter' }).click();
    await page.getByRole('link', { name: /Quay Stores/ }).click();
    await page.getByRole('heading', { name: 'No accounts yet' }).waitFor();
    await page.getByRole('button', { name: /Nora Quill/ }).click();
    await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click();
    await page.getByRole('heading', { name: 'Sign in' }).waitFor();

    await page.goto(`${server.url}/companies/${id}/ledger/chart`);
    await page.getByLabel('E-mail').fill('nora.quill@example.org');
    await page.getByLabel('Password').fill('herring in a box');
    await page.keyboard.press('Enter');
    await page.getByText('E-mail and password do not belong together.', { exact: false }).waitFor();
    await page.getByLabel('Password').fill('herring in a barrel');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Add account…' }).first().waitFor();
    expect(page.url()).toBe(`${server.url}/companies/${id}/ledger/chart`);
    expectQuiet(refused);
    officeQuiet();
  });

  it('a role of the company’s own is made, brings along what it needs, is given, and opens no more than it says', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', { name: 'Slipway', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const { page: office, expectQuiet: officeQuiet } = await visit(browser, server.cookie, `${server.url}/companies/${id}/people`);
    await office.getByRole('button', { name: 'New role…' }).click();
    const dialog = office.getByRole('dialog', { name: 'A new role' });
    await dialog.getByRole('textbox').fill('Chart keeper');
    await dialog.getByLabel('keep the chart').check();
    expect(await dialog.getByLabel('see notes, files and the history').isChecked()).toBe(true);
    expect(await dialog.getByLabel('see notes, files and the history').isDisabled()).toBe(true);
    expect(await seriousFindings(office)).toEqual([]);
    await dialog.getByRole('button', { name: 'Make the role' }).click();
    const roles = office.getByRole('table', { name: 'What each role may' });
    await roles.getByRole('row', { name: /^Chart keeper/ }).waitFor();
    expect(
      await roles
        .getByRole('row', { name: /^Chart keeper/ })
        .getByText('✓')
        .count(),
    ).toBe(3);

    await office.getByLabel('Name').fill('Runa Keel');
    await office.getByLabel('E-mail').fill('runa.keel@example.org');
    await office.getByRole('combobox', { name: 'Role' }).last().selectOption('Chart keeper');
    await office.getByText('may see notes, files and the history and keep the chart').waitFor();
    await office.getByRole('button', { name: 'Invite', exact: true }).click();
    const link = String(await office.locator('code').textContent());
    await roles.getByRole('button', { name: 'Delete Chart keeper' }).click();
    await office.getByText(/The role Chart keeper cannot go: 1 person has it or is invited to it/).waitFor();

    const { page, expectQuiet } = await visit(browser, '', link);
    await page.getByText(/As Chart keeper\. Choose a password/).waitFor();
    await page.getByLabel('New password').fill('herring in a barrel');
    await page.getByLabel('The same again').fill('herring in a barrel');
    await page.getByRole('button', { name: 'Set the password and enter' }).click();
    await page.getByRole('link', { name: /Slipway/ }).click();
    await page.getByText('Chart keeper').first().waitFor();
    await page.goto(`${server.url}/companies/${id}/ledger/chart`);
    await page.getByRole('button', { name: 'Add account…' }).first().waitFor();
    await page.goto(`${server.url}/companies/${id}/ledger/entries/new`);
    await page.getByText('Your role in this company may not prepare entries.', { exact: false }).waitFor();

    await roles.getByRole('button', { name: 'Change Chart keeper' }).click();
    await office.getByRole('dialog').getByLabel('prepare entries').check();
    await office.getByRole('button', { name: 'Change it' }).click();
    await office.getByText('Changed: the role Chart keeper.').waitFor();
    await page.reload();
    await page.getByRole('heading', { name: 'New entry' }).waitFor();
    expectQuiet(refused);
    officeQuiet(refused);
  });

  it('a session that ended meanwhile is said in words, and what was typed stays', async () => {
    const { id } = await server.ok<Company>('POST', '/companies', { name: 'Interrupted', currency: 'EUR', fiscalYearFirstMonth: 1 });
    const own = await new ApiClient(server.url).enter('/session', { email: testAdministrator.email, password: testAdministrator.password });
    const { page } = await visit(browser, own.cookie, `${server.url}/companies/${id}/ledger/chart`);
    await page.getByRole('button', { name: 'Add account…' }).first().click();
    await page.getByRole('textbox', { name: 'Number', exact: true }).fill('1000');
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Cash');
    await own.ok('DELETE', '/session');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByText(/You are signed out/).waitFor();
    expect(await page.getByRole('textbox', { name: 'Name', exact: true }).inputValue()).toBe('Cash');
  });

  it('asks everybody for a second factor: set up with a device, kept as codes, asked for at the sign-in', async () => {
    const { client } = await joinCompany(
      server,
      (await server.ok<Company>('POST', '/companies', { name: 'Two Keys', currency: 'EUR', fiscalYearFirstMonth: 1 })).id,
      {
        email: 'thea.lund@example.org',
        role: 'preparer',
        password: 'herring in a barrel',
      },
    );
    const setUp = async (cookie: string, password: string, from: string) => {
      const { page, expectQuiet } = await visit(browser, cookie, `${server.url}${from}`);
      await page.getByLabel('Your password').fill('not this one');
      await page.getByRole('button', { name: 'Set it up' }).click();
      await page.getByText('The present password is not right.').waitFor();
      await page.getByLabel('Your password').fill(password);
      await page.keyboard.press('Enter');
      const picture = page.getByRole('img', { name: 'For the authenticator on your phone' });
      await picture.waitFor();
      const secret = String(await page.locator('code').textContent()).replaceAll(' ', '');
      await page.getByLabel('Code that it shows').fill('000000');
      await page.keyboard.press('Enter');
      await page.getByText('This code does not open', { exact: false }).waitFor();
      expect(await seriousFindings(page)).toEqual([]);
      await page.getByLabel('Code that it shows').fill(deviceCode(secret, -1));
      await page.keyboard.press('Enter');
      await page.getByRole('list', { name: 'Recovery codes' }).waitFor();
      const codes = await page.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem').allTextContents();
      expect(codes).toHaveLength(10);
      expect(await seriousFindings(page)).toEqual([]);
      return { page, expectQuiet, secret, codes };
    };

    const keeper = await setUp(server.cookie, testAdministrator.password, '/second-factor');
    await keeper.page.getByRole('link', { name: 'I have kept them: go on' }).click();
    await keeper.page.goto(`${server.url}/installation`);
    await keeper.page.getByLabel('Everybody who signs in with a password needs one').click();
    await keeper.page.getByText('until they set one up, nothing else is open to them', { exact: false }).waitFor();
    expect(await seriousFindings(keeper.page)).toEqual([]);

    // Signed in already, and led to where it is set up, and on to where they wanted to go.
    const member = await setUp(client.cookie, 'herring in a barrel', '/companies');
    await member.page.getByRole('link', { name: 'I have kept them: go on' }).click();
    await member.page.getByRole('link', { name: /Two Keys/ }).waitFor();
    await member.page.goto(`${server.url}/second-factor`);
    await member.page.getByText('10 recovery codes are left', { exact: false }).waitFor();
    expect(await member.page.getByRole('button', { name: 'Take it away…' }).count()).toBe(0);

    const { page, expectQuiet } = await visit(browser, '', `${server.url}/sign-in?to=%2Fcompanies`);
    await page.getByLabel('E-mail').fill('thea.lund@example.org');
    await page.getByLabel('Password').fill('herring in a barrel');
    await page.keyboard.press('Enter');
    await page.getByLabel('Code').fill('123456');
    await page.keyboard.press('Enter');
    await page.getByText('This code does not open', { exact: false }).waitFor();
    await page.getByLabel('Code').fill(member.codes[0] as string);
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: /Two Keys/ }).waitFor();

    // Lost, with all codes: who keeps the installation helps.
    await keeper.page.getByLabel('E-mail of who lost phone and codes').fill('thea.lund@example.org');
    await keeper.page.getByRole('button', { name: 'Take their second factor away' }).click();
    await keeper.page.getByText('Taken away from thea.lund@example.org, who is told by letter.').waitFor();
    await page.reload();
    await page.getByRole('heading', { name: 'Second factor' }).waitFor();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('heading', { name: 'Sign in' }).waitFor();
    await keeper.page.getByLabel('Everybody who signs in with a password needs one').click();
    await keeper.page.getByText(/(person has|people have) none\.$/).waitFor();
    for (const { expectQuiet: quiet } of [keeper, member]) quiet(refused);
    expectQuiet(refused);
  });
});

describe('roles in the demo', () => {
  it('one enters in a role; a reader reads everything and is offered no change', async () => {
    const demo = await TestServer.start({ demo: true });
    const { page, expectQuiet } = await visit(browser, '', `${demo.url}/`);
    await page.getByRole('button', { name: /^Enter as reader/ }).click();
    await page.getByRole('link', { name: /Eiderholm Ferry Company/ }).click();
    await page.getByRole('rowheader', { name: 'Profit for the period' }).waitFor();
    const base = page.url().replace(/\/statements.*/, '');
    const changes = /^(Add account|Change…|Many|Merge|Bring in|Move to|Add accounts|Nest new|Add a category|Retire|Delete)/;
    for (const path of ['ledger', 'ledger/chart?find=4020', 'placement', 'layouts', 'proofs']) {
      await page.goto(`${base}/${path}`);
      await page.waitForLoadState('networkidle');
      if (path.startsWith('ledger/chart')) await page.getByRole('row', { name: /^4020/ }).click();
      if (path === 'placement') await page.getByText('Fuel and lubricants', { exact: true }).click();
      expect([path, await page.getByRole('button', { name: changes }).count()]).toEqual([path, 0]);
    }
    await page.goto(`${base}/history`);
    await page.getByText(/Your role in this company may not see notes, files and the history/).waitFor();
    expectQuiet(refused);
    // Its people have no password that could be guessed, each role its own person.
    for (const role of ['reader', 'reviewer', 'preparer', 'administrator'] as const) {
      const client = await enterDemo(demo.url, role);
      const { companies } = await client.ok<{ companies: { role: string }[] }>('GET', '/companies');
      expect(companies).toMatchObject([{ role }, { role }, { role }]);
      const { person } = await client.ok<Session>('GET', '/session');
      expect(person?.hasPassword).toBe(false);
      expect(await new ApiClient(demo.url).refused('POST', '/session', { email: person?.email, password: 'anything at all' })).toMatchObject({
        code: 'sign_in_refused',
      });
    }
    // The same places offer changes to a preparer: the names looked for above are the right ones.
    const preparer = await visit(browser, (await enterDemo(demo.url, 'preparer')).cookie, `${base}/placement`);
    await preparer.page.getByText('Fuel and lubricants', { exact: true }).click();
    expect(await preparer.page.getByRole('button', { name: changes }).count()).toBeGreaterThan(5);
    await demo.stop();
  });
});
