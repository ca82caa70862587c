import { expect, test } from './app.ts';

test('a string goes from one bow to another with its own numbers, and its story follows', async ({
  page,
  app,
}) => {
  const [heron, egret] = [await app.bowId('Heron'), await app.bowId('Egret')];
  await page.goto(`${app.address}/bench/${egret}?step=fitOut`);
  await page.getByRole('button', { name: 'New string' }).click();
  const form = page.getByRole('form', { name: 'Change: string' });
  await form
    .getByRole('combobox', { name: 'Which' })
    .selectOption({ label: 'the second string, 175 shots, on Heron' });
  await form.getByRole('button', { name: 'Put it on' }).click();
  await expect
    .poll(async () => (await app.log('Egret')).at(-1)?.body['string'])
    .toMatchObject({ shotsBefore: 175, twists: 26, material: 'lowStretch' });
  await app.store(egret, [
    {
      id: crypto.randomUUID(),
      bowId: egret,
      at: new Date().toISOString(),
      by: 'Test',
      body: { kind: 'shotsFired', count: 40, note: '' },
    },
  ]);
  await page.goto(`${app.address}/record/${egret}?show=care`);
  const use = page.getByTestId('use');
  await expect(use).toContainText('the second string, 215 in all');
  await expect(use.getByRole('row', { name: 'The same string on Heron' })).toContainText('175');
  await page.goto(`${app.address}/record/${heron}?show=care`);
  await expect(use.getByRole('row', { name: 'The same string on Egret' })).toContainText('40');
});

test('limbs go from one bow to another with their own shots; the bow is looked over and its brace read before a shot', async ({
  page,
  app,
}) => {
  const [heron, egret] = [await app.bowId('Heron'), await app.bowId('Egret')];
  await page.goto(`${app.address}/bench/${egret}?step=fitOut`);
  await page.getByRole('combobox', { name: 'Change' }).selectOption({ label: 'Limbs' });
  const form = page.getByRole('form', { name: 'Change: limbs' });
  await form.getByRole('combobox', { name: 'Which' }).selectOption(heron);
  await form.getByRole('button', { name: 'Put them on' }).click();
  await expect
    .poll(async () => (await app.log('Egret')).at(-1)?.body)
    .toMatchObject({ kind: 'itemFitted', item: 'limbs', limbs: { limbsId: heron } });
  await expect(page.getByTestId('next-move')).toContainText('Inspect and assemble');
  await page.goto(`${app.address}/record/${egret}?show=care`);
  await app.store(egret, [
    {
      id: crypto.randomUUID(),
      bowId: egret,
      at: new Date().toISOString(),
      by: 'Test',
      body: { kind: 'shotsFired', count: 12, note: '' },
    },
  ]);
  await page.reload();
  await expect(
    page.getByTestId('use').getByRole('row', { name: 'The limbs Heron came with' }),
  ).toContainText('12');
  await page.goto(`${app.address}/record/${heron}?show=care`);
  await expect(
    page.getByTestId('use').getByRole('row', { name: 'The same limbs on Egret' }),
  ).toContainText('12');
});
