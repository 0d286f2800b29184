import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { keptTemplate } from '#formats/job';
import { errorText, useKeepTemplateMutation, useRemoveTemplateMutation, useTemplatesQuery } from '../../../app/api';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';

/** The item as a pattern for the next one like it. */
export function KeepTemplate() {
  const job = useJob('document');
  const { document } = job;
  const { data: templates = [] } = useTemplatesQuery();
  const [keep, { error, data }] = useKeepTemplateMutation();
  const [remove] = useRemoveTemplateMutation();
  const [name, setName] = useState('');
  return (
    <Part title="Keep it as a template">
      <p className="mb-2 text-[14px] text-ink-2">
        Its surfaces, cuts and own panels, for the next item like it. What was seen or laid stays with this one.
      </p>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          void keep({ id: nanoid(10), body: keptTemplate(name.trim(), document) }).then(({ data: kept }) => {
            if (kept) setName('');
          });
        }}
      >
        <div className="flex-1">
          <label htmlFor="template-name" className="label block">
            Name of the template
          </label>
          <input id="template-name" className="field" value={name} onChange={({ target }) => setName(target.value)} />
        </div>
        <Button type="submit" disabled={name.trim() === '' || document.surfaces.length === 0}>
          Keep
        </Button>
      </form>
      {data && (
        <p role="status" className="mt-1 text-[13px] text-ok">
          Kept: {data.name}. It is offered under New job.
        </p>
      )}
      {error && (
        <p role="alert" className="mt-1 text-[13px] text-stop">
          {errorText(error)}
        </p>
      )}
      {templates.length > 0 && (
        <ul className="mt-3 text-[14px]">
          {templates.map((template) => (
            <li key={template.id} className="flex items-center justify-between border-t py-1">
              <span>
                {template.name} <span className="text-ink-3">{template.surfaces.length} surfaces</span>
              </span>
              <Button look="quiet" onClick={() => void remove({ id: template.id })}>
                Take it away
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Part>
  );
}
