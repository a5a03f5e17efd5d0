import { describe, expect, it } from 'vitest';
import { Admission, invitationLasts } from './admission';
import { contentPolicy, isServed, reachedAt } from './hosts';

describe('the door of a server that listens beyond its machine', () => {
  const entered = (door: Admission, code: string, now = 0) => {
    const answer = door.enter(code, now);
    if ('refused' in answer) throw new Error(answer.refused);
    return answer.pass;
  };

  it('lets in who knows the code, and knows its own passes', () => {
    const door = new Admission('4711 0815'.replace(' ', ''));
    const pass = entered(door, ' 4711 0815 ');
    expect(door.guestOf(pass)).toBe('shop');
    expect(door.admits(pass, '/notebook')).toBe(true);
    expect(entered(door, '47110815')).not.toBe(pass);
  });

  it.each([undefined, '', 'abc', 'abc.def', '.', 'a.b.c', 'shop.b.c', 'shop..'])(
    'does not take "%s" for a pass',
    (pass) => {
      expect(new Admission('1').admits(pass, '/')).toBe(false);
    },
  );

  it('takes no pass of another server, none with another name on it, and none that was taken back', () => {
    const door = new Admission('1');
    const pass = entered(door, '1');
    expect(new Admission('1').guestOf(pass)).toBeUndefined();
    const [guest, id, signature] = pass.split('.') as [string, string, string];
    const other = `${id.startsWith('0') ? '1' : '0'}${id.slice(1)}`;
    expect(door.guestOf(`${guest}.${other}.${signature}`)).toBeUndefined();
    door.revoke();
    expect(door.guestOf(pass)).toBeUndefined();
  });

  it('looks at no more codes after eight wrong ones, the right one neither, until a while has passed', () => {
    const door = new Admission('1');
    for (let tries = 0; tries < 8; tries += 1) expect(door.enter('2', tries)).toHaveProperty('refused');
    expect(door.enter('1', 10)).toMatchObject({ refused: expect.stringMatching(/too many/) as string });
    expect(door.enter('1', 10 * 60_000 + 20)).toHaveProperty('pass');
  });
});

describe('a pupil', () => {
  const pupil = (door: Admission) => {
    const answer = door.enterClass(true, 0);
    if ('refused' in answer) throw new Error(answer.refused);
    return answer.pass;
  };

  it('comes to the hunt of his class and to nothing else of the shop', () => {
    const door = new Admission('1');
    const pass = pupil(door);
    expect(door.guestOf(pass)).toBe('class');
    expect(door.admits(pass, '/practice/hunt')).toBe(true);
    for (const path of ['/', '/practice', '/practice/hunt/', '/practice/room', '/api/find', '/notebook'])
      expect(door.admits(pass, path), path).toBe(false);
    // A pass does not become another by another name.
    expect(door.guestOf(pass.replace('class', 'shop'))).toBeUndefined();
    door.revoke();
    expect(door.admits(pass, '/practice/hunt')).toBe(false);
  });

  it('guesses no code: after sixty that no class has none is looked at, and the shop’s own code goes on', () => {
    const door = new Admission('1');
    for (let tries = 0; tries < 60; tries += 1) expect(door.enterClass(false, tries)).toHaveProperty('refused');
    expect(door.enterClass(true, 100)).toMatchObject({ refused: expect.stringMatching(/too many/) as string });
    expect(door.enter('1', 100)).toHaveProperty('pass');
    expect(door.enterClass(true, 11 * 60_000)).toHaveProperty('pass');
  });
});

describe('an invitation', () => {
  it('lets one browser in, once, while it is good', () => {
    const door = new Admission('1');
    const [word, late] = [door.invite(0), door.invite(0)];
    const answer = door.accept(word, 1000);
    if ('refused' in answer) throw new Error(answer.refused);
    expect(door.guestOf(answer.pass)).toBe('shop');
    expect(door.accept(word, 1001)).toEqual({ refused: expect.stringMatching(/used or too old/) as string });
    expect(door.accept(late, invitationLasts + 1)).toHaveProperty('refused');
    expect(door.accept('', 0)).toHaveProperty('refused');
    const before = door.invite(0);
    door.revoke();
    expect(door.accept(before, 1)).toHaveProperty('refused');
  });
});

describe('where another device reaches the server', () => {
  it.each([
    ['192.168.1.20:4870', undefined, 'http://192.168.1.20:4870'],
    ['127.0.0.1:4870', '0.0.0.0,127.0.0.1,[fe80::1],192.168.1.20,10.0.0.3,bench', 'http://192.168.1.20:4870'],
    ['localhost:4870', '127.0.0.1', undefined],
    ['[::1]:4870', undefined, undefined],
    ['bench.local', 'bench.local', 'http://bench.local'],
  ])('asked by %s, served as %s: %s', (host, served, found) => {
    expect(reachedAt(host, served)).toBe(found);
  });
});

describe('a host', () => {
  it.each([
    ['127.0.0.1:4870', true],
    ['localhost', true],
    ['[::1]:4870', true],
    ['192.168.1.20:4870', true],
    ['Bench.local:80', true],
    ['evil.example', false],
    ['127.0.0.1.evil.example:4870', false],
    ['evil.example:4870@127.0.0.1', false],
    ['', false],
    [null, false],
  ])('%s is served: %s', (host, served) => {
    expect(isServed(host, '192.168.1.20,bench.local')).toBe(served);
  });
});

it('pages run scripts with their own nonce alone, and stand in no frame', () => {
  const policy = contentPolicy('abc');
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'strict-dynamic'");
  expect(policy).not.toMatch(/script-src[^;]*unsafe/);
  expect(policy).toContain("frame-ancestors 'none'");
});
