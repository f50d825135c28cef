'use client';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { hiddenViews, useFinder } from '@/ui/dialogs/finder';

interface View {
  readonly id: string;
  readonly title: string;
  readonly isForm: boolean;
  readonly show: () => React.ReactNode;
}

/** Offers the views of a sheet to the finder, and while it is open draws the forms that are not shown apart from the page. */
export function HiddenViews({ views, current, onShow }: { views: readonly View[]; current: string; onShow: (id: string) => void }) {
  const isOpen = useFinder((s) => s.isOpen);
  const offer = useFinder((s) => s.offer);
  const key = views.map((v) => `${v.id} ${v.title}`).join('|');
  useEffect(() => {
    offer({ views: views.map((v) => [v.id, v.title] as const), current, show: onShow });
    return () => offer(null);
    // The views are the same while their names are.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, current, onShow, offer]);
  if (!isOpen) return null;
  return views.filter((v) => v.isForm && v.id !== current).map((v) => <Apart key={v.id} view={v} />);
}

function Apart({ view }: { view: View }) {
  const [at] = useState(() => document.createElement('div'));
  useEffect(() => {
    hiddenViews.set(view.id, at);
    return () => void hiddenViews.delete(view.id);
  }, [view.id, at]);
  return createPortal(view.show(), at);
}
