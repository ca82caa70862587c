import { cardOf } from '#core/card/card-data.ts';
import { writeCard } from '#core/card/card-text.ts';
import { arrowFigures } from '#core/arrows/arrow-figures.ts';
import { braceLimit } from '#core/limits/brace-limit.ts';
import {
  BOW_KIND_LABEL,
  BRACE_REFERENCE_LABEL,
  HAND_LABEL,
  HOOK_LABEL,
} from '#core/craft/bow-terms.ts';
import { CONTROL_FACTS, CONTROLS } from '#core/craft/controls.ts';
import { FIT_OUT_ITEMS, FIT_OUT_LABEL, STRING_MATERIAL_LABEL } from '#core/craft/fit-out.ts';
import { upperFirst } from '#core/craft/letter-case.ts';
import { READING_KINDS, READINGS } from '#core/craft/readings.ts';
import { showReading } from '#core/craft/show-reading.ts';
import { presentReading } from '#core/gains/present-reading.ts';
import { showExact, showLength, showNumber, showTurns, showWeight } from '#core/quantity/show.ts';
import { fromStored } from '#core/quantity/units.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { movedWords } from '#core/words/compare-words.ts';
import { format } from 'date-fns';

/** One line of a card: what, how much, and from where or when. */
interface CardLine {
  readonly name: string;
  readonly figure: string;
  readonly also: string;
}

/** What a card shows, block by block; what a bow does not have has no line. */
export interface CardView {
  readonly title: string;
  readonly under: string;
  readonly blocks: readonly { readonly title: string; readonly lines: readonly CardLine[] }[];
  /** What the code carries. */
  readonly text: string;
}

/** The tune card of a bow as it stands at a day. */
export function cardView(state: BowState, stateName: string, at: Date): CardView {
  const { bow } = state;
  const day = format(at, 'yyyy-MM-dd');
  const blocks = [
    { title: 'Readings', lines: readingLines(state) },
    { title: 'Settings', lines: settingLines(state) },
    { title: 'Arrow', lines: arrowLines(state) },
    { title: 'String', lines: stringLines(state) },
    { title: 'Limits', lines: limitLines(state) },
    { title: 'Fitted', lines: fittedLines(state) },
  ];
  return {
    title: bow.name,
    under: [
      stateName,
      format(at, 'd MMM yyyy'),
      bow.owner,
      `${bow.amoLengthIn} in ${BOW_KIND_LABEL[bow.bowKind]}`,
      HAND_LABEL[bow.hand],
      HOOK_LABEL[bow.hook],
    ]
      .filter((part) => part !== '')
      .join(' · '),
    blocks: blocks.filter(({ lines }) => lines.length > 0),
    text: writeCard(cardOf(state, stateName, day)),
  };
}

function line(name: string, figure: string, also = ''): CardLine {
  return { name, figure, also };
}

function readingLines(state: BowState): readonly CardLine[] {
  return READING_KINDS.flatMap((kind) => {
    const present = presentReading(state, kind);
    if (present === null) return [];
    const datum =
      kind === 'braceHeight' ? `${BRACE_REFERENCE_LABEL[state.bow.braceReference]}, ` : '';
    const figure = showReading(kind, present.value, state.bow);
    return [
      line(
        READINGS[kind].name,
        present.fresh ? figure : `about ${figure}`,
        `${datum}${format(present.measured.at, 'd\u00a0MMM')}`,
      ),
    ];
  });
}

function settingLines({ positions, moved, bow, landing }: BowState): readonly CardLine[] {
  const { twists, topBoltTurnsOut, bottomBoltTurnsOut } = positions;
  const unit = bow.lengthUnit === 'in' ? 'in' : 'cm';
  return [
    ...(twists === null ? [] : [line('Twists', showExact(twists))]),
    ...(topBoltTurnsOut === null ? [] : [line('Top bolt', `${showTurns(topBoltTurnsOut)} out`)]),
    ...(bottomBoltTurnsOut === null
      ? []
      : [line('Bottom bolt', `${showTurns(bottomBoltTurnsOut)} out`)]),
    ...CONTROLS.flatMap((control) => {
      const by = moved.get(control) ?? 0;
      const counted = control === 'twists' || control === 'topBolt' || control === 'bottomBolt';
      if (by === 0 || counted || control === 'pointMass' || control === 'shaftCut') return [];
      return [line(CONTROL_FACTS[control].name, movedWords(control, by), 'since the start')];
    }),
    ...(landing === null
      ? []
      : [
          line(
            'Bare shafts land',
            [
              `${showNumber(Math.abs(fromStored(landing.outwardMm, unit)), 1)} ${unit} ${landing.outwardMm >= 0 ? 'outward' : 'inward'}`,
              `${showNumber(Math.abs(fromStored(landing.upMm, unit)), 1)} ${unit} ${landing.upMm >= 0 ? 'high' : 'low'}`,
            ].join(', '),
            'at 18 m',
          ),
        ]),
  ];
}

function arrowLines({ bow }: BowState): readonly CardLine[] {
  const { arrow } = bow;
  if (arrow === undefined) return [];
  const grains = (massG: number) => `${showNumber(fromStored(massG, 'gr'), 0)} gr`;
  const parts = arrow.build?.parts;
  const figures = parts === undefined ? null : arrowFigures(parts);
  const massG = arrow.massG ?? figures?.massG;
  return [
    line('Shaft', arrow.described, showLength(arrow.lengthMm, bow)),
    line('Point', grains(arrow.pointMassG)),
    ...(massG === undefined
      ? []
      : [line('Mass', grains(massG), arrow.massG === undefined ? 'reckoned' : 'weighed')]),
    ...(figures === null
      ? []
      : [line('Front of centre', `${showNumber(figures.focPercent, 1)} %`)]),
  ];
}

function stringLines({ strings: { fitted } }: BowState): readonly CardLine[] {
  const { described, material, strands, lengthMm, shots } = fitted;
  return [
    line(
      upperFirst(described),
      [
        material === 'unknown' ? '' : STRING_MATERIAL_LABEL[material],
        strands === undefined ? '' : `${strands} strands`,
        lengthMm === undefined ? '' : `${showNumber(lengthMm, 0)} mm`,
      ]
        .filter((part) => part !== '')
        .join(', '),
      `${shots} shots`,
    ),
  ];
}

function limitLines(state: BowState): readonly CardLine[] {
  const { bow } = state;
  const { maker } = bow;
  const brace = braceLimit(state);
  return [
    ...(brace.source === 'maker'
      ? [line('Brace', `${showLength(brace.low, bow)} to ${showLength(brace.high, bow)}`, 'maker')]
      : []),
    ...(maker.boltTravelTurns === undefined
      ? []
      : [line('Bolts', `${showTurns(maker.boltTravelTurns)} out at most`, 'maker')]),
    ...(maker.markedWeightN === undefined ? [] : [line('Marked', showWeight(maker.markedWeightN))]),
    ...(maker.leastArrowMassG === undefined
      ? []
      : [
          line(
            'Arrow',
            `${showNumber(fromStored(maker.leastArrowMassG, 'gr'), 0)} gr at least`,
            'maker',
          ),
        ]),
  ];
}

function fittedLines({ fitOut }: BowState): readonly CardLine[] {
  return FIT_OUT_ITEMS.flatMap((item) => {
    const fitted = fitOut.get(item);
    if (fitted === undefined || fitted.described === '' || item === 'string' || item === 'shaft')
      return [];
    return [line(upperFirst(FIT_OUT_LABEL[item]), fitted.described)];
  });
}
