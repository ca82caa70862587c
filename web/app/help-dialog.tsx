import { useState } from 'react';
import { CODES } from '#core/entry-line/codes.ts';
import type { View } from './view.ts';
import { setTunerName, tunerName } from '../device/tuner-name.ts';
import { changeSettings, THEMES, useSettings } from '../theme/use-settings.ts';
import { ChoiceRow } from '../ui/choice-row.tsx';
import { SheetDialog } from '../ui/sheet-dialog.tsx';

const KEYS: readonly (readonly [string, string])[] = [
  ['/', 'entry line'],
  ['?', 'this sheet'],
  ['f, b', 'plot: fletched, bare'],
  ['Enter', 'plot: place a shot, then nudge it'],
  ['arrows, Shift + arrows', 'plot: nudge 1 mm, 10 mm'],
  [', and .', 'plot: shot before, shot after'],
  ['h, t', 'plot: broadhead, target point'],
  ['c', 'plot: called bad'],
  ['a, digits, arrow', 'plot: nock points that way, degrees'],
  ['n, digits, Enter', 'plot: number of the shaft'],
  ['u', 'plot: undo last'],
  ['e', 'plot: next end'],
];

function viewKeys(views: readonly View[]): readonly [string, string] {
  const keys = views.map(({ number }) => `g ${number}`);
  return [keys.join(', '), views.map(({ name }) => name).join(', ')];
}

/** Keys, codes, look, and who is at the bench. */
export function HelpDialog({
  views,
  onClose,
}: {
  readonly views: readonly View[];
  readonly onClose: () => void;
}) {
  const settings = useSettings();
  const [name, setName] = useState(tunerName());
  return (
    <SheetDialog
      title="Keys, codes and look"
      description="Kept in this browser only."
      onClose={onClose}
    >
      <div className="grid grid-cols-1 gap-6 @form:grid-cols-2">
        <div className="grid content-start gap-4">
          <ChoiceRow
            label="Look"
            value={settings.theme}
            options={[
              { value: THEMES[0], label: 'Shop, light' },
              { value: THEMES[1], label: 'Night, dark' },
              { value: THEMES[2], label: 'Sun, strongest' },
            ]}
            onChange={(theme) => {
              changeSettings({ theme });
            }}
          />
          <ChoiceRow
            label="Single keys"
            value={settings.singleKeys ? 'on' : 'off'}
            options={[
              { value: 'on', label: 'On' },
              { value: 'off', label: 'Off' },
            ]}
            onChange={(value) => {
              changeSettings({ singleKeys: value === 'on' });
            }}
          />
          <ChoiceRow
            label="Butt in"
            value={settings.buttUnit}
            options={[
              { value: 'cm', label: 'cm' },
              { value: 'in', label: 'in' },
            ]}
            onChange={(buttUnit) => {
              changeSettings({ buttUnit });
            }}
          />
          <label>
            <span className="label">Who is at the bench</span>
            <input
              className="field"
              value={name}
              maxLength={80}
              onChange={(event) => {
                setName(event.target.value);
                setTunerName(event.target.value);
              }}
            />
          </label>
        </div>
        <div>
          <h3 className="label">Keys</h3>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {[viewKeys(views), ...KEYS].map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-[640]">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <h3 className="label mt-4">Codes of the entry line</h3>
          <dl className="grid grid-cols-[auto_1fr] gap-x-4">
            {CODES.toReversed().map(({ code, name: codeName }) => (
              <div key={code} className="contents">
                <dt className="font-[640]">{code}</dt>
                <dd>{codeName.toLowerCase()}</dd>
              </div>
            ))}
          </dl>
        </div>
      </div>
    </SheetDialog>
  );
}
