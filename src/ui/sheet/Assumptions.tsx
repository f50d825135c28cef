'use client';
import { Select } from '@/ui/fields/Select';
import { isRange, readChoice, type Choice, type DesignCode } from '@/core/codes/design-code';
import type { Member } from '@/core/members/kinds';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';

/** What the code leaves open, as it stands for a member; each can be changed here. A default is marked until it is set. */
export function Assumptions({
  choices,
  code,
  member,
  isWide = false,
}: {
  choices: readonly Choice[];
  code: DesignCode;
  member: Member;
  /** With room for whole titles, under a heading of its own. */
  isWide?: boolean;
}) {
  const edit = useProject((s) => s.edit);
  const set = (choice: Choice, value: string) =>
    edit(
      `set ${choice.title.toLowerCase()} of ${member.mark}`,
      onMember(member, (m) => {
        m.choices = { ...m.choices, [choice.key]: value };
      }),
    );
  return (
    <div className={isWide ? '' : 'mt-1.5 border-t border-groove pt-1'}>
      {!isWide && <h3 className="small pb-0.5 font-semibold">Assumptions</h3>}
      {choices.map((choice) => {
        const value = readChoice(choices, code.settings, choice.key);
        const isSet = choice.key in member.choices;
        return (
          <label
            key={choice.key}
            className={`grid items-center gap-1.5 py-px ${isWide ? 'grid-cols-[minmax(0,1fr)_minmax(0,21rem)_3rem]' : 'grid-cols-[minmax(0,1fr)_minmax(0,11rem)_2.4rem] text-[0.6875rem]'}`}
          >
            <span title={choice.clause}>{choice.title}</span>
            {isRange(choice.options) ? (
              <input
                className="field !h-5"
                defaultValue={value}
                inputMode="decimal"
                onBlur={(e) => e.target.value !== value && set(choice, e.target.value)}
              />
            ) : (
              <Select
                label={choice.title}
                className="field !h-5"
                value={value}
                options={Object.entries(choice.options)}
                onPick={(v) => set(choice, v)}
              />
            )}
            <span className="text-ash">{isSet ? 'set' : 'default'}</span>
          </label>
        );
      })}
    </div>
  );
}
