import type { Company, Session } from '@ivory-ladder/contract';
import type { Browser } from 'playwright-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ApiClient, enterDemo, testAdministrator } from '../support/apiClient.ts';
import { launchBrowser, seriousFindings, visit } from '../support/browser.ts';
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

/** What the browser itself says of an answer that was to be expected. */
const refused = /status of 40[139]/;

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
    await office.getByRole('combobox', { name: 'Role' }).last().click();
    await office.getByRole('option', { name: 'Chart keeper' }).click();
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
