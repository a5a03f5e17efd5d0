// @vitest-environment happy-dom
import { act, useEffect } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type SheetChange } from '@/core/sheet';
import { type JobFile } from '@/workshop/job';
import { useRefinedFile } from './useRefinedFile';
import { type Refining, useRefining } from './useRefining';

const { refresh, refineSheet } = vi.hoisted(() => ({ refresh: vi.fn(), refineSheet: vi.fn() }));
vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);
const router = { refresh };
vi.mock('next/navigation', () => ({ useRouter: () => router }));
vi.mock('@/workshop/library', () => ({ refineSheet }));

const change: SheetChange = { kind: 'code', blinks: 5, net: 'v18', meaning: '' };
const typed = (onRefused: (message: string) => void = () => undefined) => ({
  line: { text: 'code 5 v18' },
  change,
  onRefused,
});
const fileWith = (sheet: object, sheetVersion: number) => ({ id: 'a', sheet, sheetVersion }) as unknown as JobFile;
let root: Root;
let held: Refining;
/** The job as the page has it, with the sheet that was taken up. */
let shown: JobFile;

function Holder({ sent }: { sent: JobFile }) {
  const { file, take } = useRefinedFile(sent);
  const refining = useRefining(file, take);
  useEffect(() => {
    held = refining;
    shown = file;
  });
  return null;
}
const show = (file: JobFile) => act(() => root.render(<Holder sent={file} />));

beforeEach(() => {
  root = createRoot(document.createElement('div'));
});
afterEach(() => {
  act(() => root.unmount());
  vi.clearAllMocks();
  sessionStorage.clear();
});

describe('changes of the sheet', () => {
  const [before, changed] = [fileWith({}, 0), {}];

  it('keep nobody waiting where none is under way', async () => {
    await show(before);
    expect(held.wait('v18 17.9')).toBe(false);
    expect(held.due).toBeUndefined();
  });

  it('keep what is typed meanwhile, in order, until the sheet has come', async () => {
    let answer = (_: object) => {};
    refineSheet.mockReturnValue(new Promise((resolve) => (answer = resolve)));
    await show(before);
    act(() => held.start(typed()));
    act(() => void held.wait('v18 17.9'));
    act(() => void held.wait('live'));
    expect(held.due).toBeUndefined();
    await act(async () => answer({ done: { sheet: changed, version: 1 } }));
    expect(shown.sheet).toBe(changed);
    expect(refresh).toHaveBeenCalledOnce();
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

  it('leave what is typed meanwhile to the next page of the job, where the first was left', async () => {
    vi.useFakeTimers();
    refineSheet.mockReturnValue(new Promise(() => undefined));
    await show(before);
    act(() => held.start(typed()));
    act(() => void held.wait('v18 17.9'));
    act(() => root.unmount());
    root = createRoot(document.createElement('div'));
    await show(before);
    act(() => void vi.runAllTimers());
    // The change may not have come through: it is sent once more, so that it is no matter if it did.
    expect(held.waiting).toEqual([{ text: 'code 5 v18', sent: true }, { text: 'v18 17.9' }]);
    const due = held.due!;
    act(() => void held.take(due));
    refineSheet.mockResolvedValueOnce({ done: { sheet: changed, version: 1 } });
    await act(async () => held.start({ ...typed(), line: due, then: 'v18 17.9' }));
    expect(refineSheet).toHaveBeenLastCalledWith('a', [change]);
    expect(held.due).toEqual({ text: 'v18 17.9' });
    act(() => void held.take(held.due!));
    expect(sessionStorage.getItem('tovrik-held-a')).toBe('[]');
    vi.useRealTimers();
  });

  it('that are refused or not answered say so, and let the next line through', async () => {
    const told = vi.fn();
    refineSheet.mockResolvedValueOnce({ refused: 'there is a net "v18" already' });
    await show(before);
    await act(async () => held.start(typed(told)));
    expect(told).toHaveBeenLastCalledWith('there is a net "v18" already');
    expect(held.wait('live')).toBe(false);
    refineSheet.mockRejectedValueOnce(new Error('offline'));
    await act(async () => held.start(typed(told)));
    expect(told).toHaveBeenLastCalledWith(expect.stringMatching(/does not answer/));
    expect(held.wait('live')).toBe(false);
  });

  it('stand until a page brings a newer sheet: the same sheet is not taken up twice', async () => {
    refineSheet.mockResolvedValue({ done: { sheet: changed, version: 1 } });
    await show(before);
    await act(async () => held.start(typed()));
    const taken = shown;
    await show(fileWith({}, 1));
    expect(shown).toBe(taken);
    const newer = fileWith({}, 2);
    await show(newer);
    expect(shown).toBe(newer);
  });
});
