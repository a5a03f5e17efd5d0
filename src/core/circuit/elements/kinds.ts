import { type Behavioural, behavioural } from './behavioural';
import { type Bipolar, bipolar, bipolarModel } from './bipolar';
import { type Capacitor, capacitor, capacitorModel } from './capacitor';
import {
  currentByCurrent,
  type CurrentControlled,
  currentByVoltage,
  voltageByCurrent,
  voltageByVoltage,
  type VoltageControlled,
} from './controlled';
import { type Diode, diode, diodeModel } from './diode';
import { type ElementKind } from './element';
import { type Coupling, coupling, type Inductor, inductor, inductorModel } from './inductor';
import { type Jfet, jfet, jfetModel } from './jfet';
import { type ModelKind } from './model';
import { type Mosfet, mosfet, mosfetModel } from './mosfet';
import { type Resistor, resistor, resistorModel } from './resistor';
import { currentSource, type Source, voltageSource } from './source';
import { currentSwitch, currentSwitchModel, type Switch, voltageSwitch, voltageSwitchModel } from './switch';

export type Element =
  | Resistor
  | Capacitor
  | Inductor
  | Source
  | VoltageControlled
  | CurrentControlled
  | Behavioural
  | Coupling
  | Diode
  | Bipolar
  | Mosfet
  | Jfet
  | Switch;

type OfKind<K, E = Element> = E extends { readonly kind: infer Own } ? (K extends Own ? E : never) : never;
type Kinds = { readonly [K in Element['kind']]: ElementKind<OfKind<K> & Element> };

/** Every kind of element, by the letter its name begins with. */
const kinds: Kinds = {
  r: resistor,
  c: capacitor,
  l: inductor,
  v: voltageSource,
  i: currentSource,
  e: voltageByVoltage,
  g: currentByVoltage,
  f: currentByCurrent,
  h: voltageByCurrent,
  b: behavioural,
  k: coupling,
  d: diode,
  q: bipolar,
  m: mosfet,
  j: jfet,
  s: voltageSwitch,
  w: currentSwitch,
};

export const letters = Object.keys(kinds) as Element['kind'][];

/** What is known of an element's kind. */
export const kindOf = (element: Pick<Element, 'kind'>): ElementKind<Element> =>
  kinds[element.kind] as ElementKind<Element>;

export const modelKinds: readonly ModelKind[] = [
  diodeModel,
  bipolarModel,
  mosfetModel,
  jfetModel,
  voltageSwitchModel,
  currentSwitchModel,
  resistorModel,
  capacitorModel,
  inductorModel,
];
