import { type Board } from './sections/board';
import { type Block } from './sections/block';
import { type Connector } from './sections/connector';
import { type Fault } from './sections/fault';
import { type KitLine, type Quirk, type SetUpStep } from './sections/guidance';
import { type LabelField } from './sections/label';
import { type Net } from './sections/net';
import { type Option } from './sections/option';
import { type Part } from './sections/part';
import { type Point } from './sections/point';
import { type Protection } from './sections/protection';
import { type Driver } from './sections/driver';
import { type Siblings } from './sections/siblings';
import { type Sign } from './sections/sign';
import { type Store } from './sections/store';
import { type Technology } from './words';

export { type Block, type BlockStage } from './sections/block';
export { type Board } from './sections/board';
export { type Connector } from './sections/connector';
export { type Fault, isListed, isUnlisted } from './sections/fault';
export { type KitLine, type Quirk, type SetUpStep } from './sections/guidance';
export { type LabelField } from './sections/label';
export { type Net } from './sections/net';
export { type Option } from './sections/option';
export { type Part } from './sections/part';
export { type Point } from './sections/point';
export { type Protection } from './sections/protection';
export { type Driver } from './sections/driver';
export { type Siblings } from './sections/siblings';
export { type Sign } from './sections/sign';
export { type Store } from './sections/store';

/** A kind of set, as described by a chassis sheet. Maps keep the order of the file. */
export interface Sheet {
  readonly id: string;
  readonly title: string;
  readonly technology: Technology;
  readonly size: string;
  readonly summary: string;
  /** Share of what goes wrong with such sets that the sheet lists. */
  readonly complete: number;
  readonly options: readonly Option[];
  readonly label: ReadonlyMap<string, LabelField>;
  readonly boards: ReadonlyMap<string, Board>;
  readonly connectors: ReadonlyMap<string, Connector>;
  readonly stores: ReadonlyMap<string, Store>;
  readonly nets: ReadonlyMap<string, Net>;
  readonly blocks: ReadonlyMap<string, Block>;
  readonly parts: ReadonlyMap<string, Part>;
  readonly faults: ReadonlyMap<string, Fault>;
  readonly points: ReadonlyMap<string, Point>;
  readonly signs: ReadonlyMap<string, Sign>;
  readonly protections: readonly Protection[];
  /** Picture role → nets that play it. */
  readonly picture: ReadonlyMap<string, readonly string[]>;
  readonly siblings: readonly Siblings[];
  /** Boards that drive a panel by its ribbons, in the order of the screen. */
  readonly drivers: readonly Driver[];
  readonly setUp: readonly SetUpStep[];
  readonly kit: readonly KitLine[];
  readonly quirks: readonly Quirk[];
}
