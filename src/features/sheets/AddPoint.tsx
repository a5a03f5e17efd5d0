import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { type SheetEdit } from '@/core/sheet';
import styles from './sheets.module.css';

/** One point in one line: what it is called, its net, where it is and what a good set reads. */
export function AddPoint({
  onAdd,
  nets,
}: {
  onAdd: (name: string, values: SheetEdit['values']) => void;
  nets: readonly string[];
}) {
  const [name, setName] = useState('');
  const [net, setNet] = useState<string>();
  const [where, setWhere] = useState('');
  const [volts, setVolts] = useState('');
  const ready = /^[\w-]+$/.test(name) && net !== undefined;
  const add = () => {
    if (!ready) return;
    const expect = volts.trim();
    onAdd(name, { measure: 'dc', net, where, ...(expect === '' ? {} : { expect, source: 'manual' }) });
    setName('');
    setWhere('');
    setVolts('');
  };
  return (
    <section aria-label="Add a point">
      <h2 className="label">Add a point</h2>
      <div className={styles.point}>
        <Input
          value={name}
          onChange={(event) => setName(event.target.value)}
          placeholder="tp4"
          aria-label="Short name"
        />
        <Select
          showSearch
          value={net ?? null}
          onChange={(value: string) => setNet(value)}
          options={nets.map((one) => ({ value: one, label: one }))}
          placeholder="net"
          aria-label="Net"
        />
        <Input
          value={volts}
          onChange={(event) => setVolts(event.target.value)}
          placeholder="12 V"
          aria-label="Good value"
        />
        <Input
          className={styles.wide}
          value={where}
          onChange={(event) => setWhere(event.target.value)}
          placeholder="pin 3 of…"
          aria-label="Where"
        />
        <Button onClick={add} disabled={!ready}>
          Add
        </Button>
      </div>
    </section>
  );
}
