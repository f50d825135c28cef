'use client';
import { useState } from 'react';
import { FileLink } from '@/ui/fields/FileLink';
import type { Project, ProjectInfo } from '@/core/project/project';
import { MOST_LOGO } from '@/core/project/schema';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { Select } from '@/ui/fields/Select';
import { TextInput } from '@/ui/fields/TextInput';

const lines = ['number', 'author', 'checker', 'revision', 'date', 'office'] as const;
const row = 'grid grid-cols-[4.5rem_1fr] items-center gap-2 py-0.5';

/** What every page names, and the office's sign. */
export function TitleFields({ project }: { project: Project }) {
  const { edit } = useProject();
  const set = (key: (typeof lines)[number], value: string) =>
    edit(
      `${key} of the title block`,
      onProject((p) => void (p.info[key] = value)),
    );
  return (
    <>
      <h2>Title block</h2>
      {lines.map((key) => (
        <label key={key} className={`${row} capitalize`}>
          {key}
          <TextInput type={key === 'date' ? 'date' : 'text'} value={project.info[key]} onKeep={(v) => set(key, v)} />
        </label>
      ))}
      <LogoField info={project.info} />
      <label className={row}>
        Paper
        <Select
          label="Paper"
          value={project.paper}
          options={{ A4: 'A4', Letter: 'Letter' }}
          onPick={(paper) =>
            edit(
              'paper',
              onProject((p) => void (p.paper = paper)),
            )
          }
        />
      </label>
    </>
  );
}

const readAsUrl = (file: File) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('not read'));
    reader.readAsDataURL(file);
  });

/** A picture that the user chooses; kept in the project. */
function LogoField({ info }: { info: ProjectInfo }) {
  const { edit } = useProject();
  const [fault, setFault] = useState('');
  const keep = (logo: string) =>
    edit(
      'sign of the office',
      onProject((p) => void (p.info.logo = logo)),
    );
  const take = async (file: File) => {
    setFault('');
    if (!/^image\/(png|jpeg)$/.test(file.type)) return setFault(`${file.name} is not a PNG or JPEG picture.`);
    const url = await readAsUrl(file);
    if (url.length > MOST_LOGO) return setFault(`${file.name} is larger than ${Math.floor((MOST_LOGO * 3) / 4000)} kB.`);
    keep(url);
  };
  return (
    <div className={row}>
      <span>Logo</span>
      <span className="flex flex-wrap items-center gap-2">
        {/* eslint-disable-next-line @next/next/no-img-element -- a data URL out of the project */}
        {info.logo && <img src={info.logo} alt="Logo" className="max-h-8 max-w-24" />}
        <FileLink label="Logo, a picture file" accept="image/png,image/jpeg" onFile={(file) => void take(file)}>
          {info.logo ? 'another' : 'choose a picture'}
        </FileLink>
        {info.logo && (
          <button type="button" className="link" onClick={() => keep('')}>
            remove
          </button>
        )}
      </span>
      {fault && (
        <p role="alert" className="col-span-2 text-madder-text">
          {fault}
        </p>
      )}
    </div>
  );
}
