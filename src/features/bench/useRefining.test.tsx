// @vitest-environment happy-dom
import { act, useEffect } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type SheetChange } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { type Refining, useRefining } from './useRefining';

const { refresh, refineSheet } = vi.hoisted(() => ({ refresh: vi.fn(), refineSheet: vi.fn() }));
const router = { refresh };
vi.mock('next/navigation', () => ({ useRouter: () => router }));
vi.mock('@/workshop/library', () => ({ refineSheet }));

const change: SheetChange = { kind: 'code', blinks: 5, net: 'v18', meaning: '' };
const fileWith = (sheet: object) => ({ id: 'a', sheet }) as unknown as JobFile;
let root: Root;
let held: Refining;

function Holder({ file }: { file: JobFile }) {
  const refining = useRefining(file);
  useEffect(() => {
    held = refining;
  });
  return null;
}
const show = (file: JobFile) => act(() => root.render(<Holder file={file} />));

beforeEach(() => {
  vi.useFakeTimers();
  root = createRoot(document.createElement('div'));
});
afterEach(() => {
  act(() => root.unmount());
  vi.useRealTimers();
  vi.clearAllMocks();
});

describe('changes of the sheet', () => {
  const [before, after] = [fileWith({}), fileWith({})];

  it('keep nobody waiting where none is under way', async () => {
    await show(before);
    expect(held.wait('v18 17.9')).toBe(false);
    expect(held.due).toBeUndefined();
  });

  it('keep what is typed meanwhile, in order, until the sheet has come', async () => {
    refineSheet.mockResolvedValue({ done: { sheet: 'my-a', version: 1 } });
    await show(before);
    await act(async () => held.start(change, () => undefined));
    expect(refresh).toHaveBeenCalledOnce();
    act(() => void held.wait('v18 17.9'));
    act(() => void held.wait('live'));
    expect(held.due).toBeUndefined();
    await show(after);
    const first = held.due!;
    expect(first.text).toBe('v18 17.9');
    act(() => void expect(held.wait('v18 17.9')).toBe(true));
    expect(held.waiting.map(({ text }) => text)).toEqual(['v18 17.9', 'live', 'v18 17.9']);
    act(() => void expect(held.take(first)).toBe(true));
    // A page that was drawn before may ask for it once more: nothing is done twice, and the next is not lost.
    act(() => void expect(held.take(first)).toBe(false));
    expect(held.due!.text).toBe('live');
    act(() => void held.take(held.due!));
    expect(held.due).not.toBe(first);
    act(() => void held.take(held.due!));
    expect(held.due).toBeUndefined();
    expect(held.wait('more')).toBe(false);
  });

  it('that are refused or not answered say so, and let the next line through', async () => {
    const told = vi.fn();
    refineSheet.mockResolvedValueOnce({ refused: 'there is a net "v18" already' });
    await show(before);
    await act(async () => held.start(change, told));
    expect(told).toHaveBeenLastCalledWith('there is a net "v18" already');
    expect(held.wait('live')).toBe(false);
    refineSheet.mockRejectedValueOnce(new Error('offline'));
    await act(async () => held.start(change, told));
    expect(told).toHaveBeenLastCalledWith(expect.stringMatching(/does not answer/));
    expect(held.wait('live')).toBe(false);
  });

  it('that do not come back to the page in ten seconds are waited for no longer', async () => {
    refineSheet.mockResolvedValue({ done: { sheet: 'my-a', version: 1 } });
    await show(before);
    await act(async () => held.start(change, () => undefined));
    act(() => void held.wait('live'));
    expect(held.due).toBeUndefined();
    act(() => void vi.advanceTimersByTime(10_000));
    expect(held.due!.text).toBe('live');
  });
});
