import { createServer } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { expect, it } from 'vitest';
import { answerUnreadable } from './unreadable.ts';

/** What a server says to a connection on which this is sent, until it closes it. */
async function saidTo(sent: string): Promise<string> {
  const server = createServer({ connectionsCheckingInterval: 20 }, (_request, response) =>
    response.end('answered'),
  );
  server.headersTimeout = 60;
  answerUnreadable(server);
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  const { port } = server.address() as AddressInfo;
  const said = await new Promise<string>((ended) => {
    let text = '';
    const socket = connect(port, '127.0.0.1', () => socket.write(sent));
    socket.on('data', (chunk: Buffer) => (text += chunk.toString()));
    socket.on('close', () => ended(text));
    socket.on('error', () => undefined);
  });
  server.close();
  return said;
}

it('closes a connection on which nothing, or not all, was asked without a word', async () => {
  expect(await saidTo('')).toBe('');
  expect(await saidTo('GET /api/bows HTTP/1.1\r\nHost: here\r\n')).toBe('');
});

it('says of what is no HTTP that it is none', async () => {
  const said = await saidTo('no such thing\r\n\r\n');
  expect(said).toMatch(/^HTTP\/1\.1 400 /);
  expect(said).toContain('This is not HTTP as the server understands it.');
});
