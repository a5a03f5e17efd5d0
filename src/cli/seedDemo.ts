import { seedDemo } from '@/demo';

const [file] = process.argv.slice(2);
if (file === undefined) throw new Error('usage: seedDemo FILE');
await seedDemo(file, Date.now());
