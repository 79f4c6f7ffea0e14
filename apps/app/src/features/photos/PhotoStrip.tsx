import { useRef, useState } from 'react';
import { Modal, Pressable, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Key } from '../../ui/Key';
import { Notice } from '../../ui/Notice';
import { Picture } from '../../ui/Picture';
import { Text } from '../../ui/Text';
import { longDay } from '../units/dates';
import type { PhotoNote } from './photoList';
import { shrink } from './shrink';
import { useCircuitPhotos, usePhoto, usePhotoWork } from './usePhotos';

interface Props {
  jobId: string;
  circuitId: string;
  /** What is in the picture: a part's id, or `circuit`. */
  of: string;
  title: string;
}

/** Photos of one part, with the camera beside them. */
export function PhotoStrip({ jobId, circuitId, of, title }: Props) {
  const photos = (useCircuitPhotos(circuitId).data ?? []).filter((p) => p.of === of);
  const { keep, takeOut } = usePhotoWork();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [open, setOpen] = useState<PhotoNote | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    setProblem(null);
    const made = await shrink(file);
    if (made.kind === 'bad') setProblem(made.message);
    else await keep(jobId, of, made.jpeg);
    setBusy(false);
  };
  return (
    <View className="gap-2">
      <View role="list" aria-label={`Photos: ${title}`} className="flex-row flex-wrap gap-2">
        {photos.map((p) => (
          <View key={p.factId} role="listitem">
            <Thumb photo={p} title={title} onOpen={() => setOpen(p)} />
          </View>
        ))}
      </View>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={`Photo: ${title}`}
        data-testid={`photo-${of}`}
        style={{ display: 'none' }}
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Key
        label={busy ? 'Keeping it …' : 'Take a photo'}
        name={busy ? 'Keeping it …' : `Take a photo: ${title}`}
        disabled={busy}
        className="self-start px-4"
        onPress={() => input.current?.click()}
      />
      {problem ? (
        <Notice kind="danger" live>
          {problem}
        </Notice>
      ) : null}
      {open ? (
        <Whole
          photo={open}
          title={title}
          onClose={() => setOpen(null)}
          onTakeOut={() => {
            void takeOut(open);
            setOpen(null);
          }}
        />
      ) : null}
    </View>
  );
}

const SIDE = 88;

function Thumb({ photo, title, onOpen }: { photo: PhotoNote; title: string; onOpen: () => void }) {
  const picture = usePhoto(photo.jobId, photo.photo);
  return (
    <Pressable
      role="button"
      aria-label={`${title}, photo of ${longDay(photo.at)}`}
      onPress={onOpen}
      style={{ width: SIDE, height: SIDE }}
      className="items-center justify-center overflow-hidden rounded border border-hair active:opacity-70"
    >
      {picture.data ? (
        <Picture address={picture.data} alt="" width={SIDE} height={SIDE} />
      ) : (
        <Text className="px-1 text-center text-small text-ink2">{picture.isPending ? '…' : 'Not on this device'}</Text>
      )}
    </Pressable>
  );
}

function Whole({ photo, title, onClose, onTakeOut }: { photo: PhotoNote; title: string; onClose: () => void; onTakeOut: () => void }) {
  const picture = usePhoto(photo.jobId, photo.photo);
  return (
    <Modal visible transparent onRequestClose={onClose}>
      <View className="flex-1 bg-lime p-3" aria-label={`${title}, photo of ${longDay(photo.at)}`}>
        <View className="flex-row items-center justify-between gap-3 pb-2">
          <View className="min-w-0 flex-1">
            <Text role="heading" aria-level={2} className="font-semibold text-lead">
              {title}
            </Text>
            <Text className="text-ink2">{longDay(photo.at)}</Text>
          </View>
          <Key label="Close" className="px-4" onPress={onClose} />
        </View>
        <View className="min-h-0 flex-1 items-center justify-center">
          {picture.data ? (
            <Picture address={picture.data} alt={`${title}, ${longDay(photo.at)}`} width="100%" height="100%" whole />
          ) : (
            <Text className="text-ink2">It was taken on another device and has not come over: it needs the network once.</Text>
          )}
        </View>
        <View className="pt-2">
          <Button label="Take it out" kind="quiet" onPress={onTakeOut} />
        </View>
      </View>
    </Modal>
  );
}
