import { useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { api, expect } from '../../../api/wire/client';
import { Button } from '../../../ui/Button';
import { empty, type OrderForm } from '../form/form';
import { Announced } from '../../../ui/said/Announced';

/** Filling the contact in from a vCard, and taking it away as one. What a card does not say stays as it was typed. */
export function AsCard({ form }: { form: UseFormReturn<OrderForm> }) {
  const [fault, setFault] = useState<string | null>(null);
  const fillIn = async (file: File) => {
    setFault(null);
    try {
      const read = expect(await api.POST('/api/contacts/read', { body: { text: await file.text() } }));
      for (const name of Object.keys(empty.contact) as (keyof OrderForm['contact'])[]) {
        if (read[name]) {
          form.setValue(`contact.${name}`, read[name], { shouldDirty: true });
        }
      }
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  const takeAway = async () => {
    const { data } = await api.POST('/api/contacts/vcard', { body: form.getValues('contact'), parseAs: 'blob' });
    if (data instanceof Blob) {
      const link = Object.assign(document.createElement('a'), {
        href: URL.createObjectURL(data),
        download: 'contact.vcf',
      });
      link.click();
      URL.revokeObjectURL(link.href);
    }
  };
  return (
    <div className="text-soft mt-2 flex flex-wrap items-baseline gap-x-5 gap-y-1 text-sm">
      <label>
        Fill this in from a vCard:{' '}
        <input
          type="file"
          accept=".vcf,text/vcard"
          className="text-blue max-w-full"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) {
              void fillIn(file);
            }

            event.target.value = '';
          }}
        />
      </label>
      <Button look="text" onClick={() => void takeAway()}>
        Take it away as a vCard
      </Button>
      {fault && <Announced className="text-red basis-full">{fault}</Announced>}
    </div>
  );
}
