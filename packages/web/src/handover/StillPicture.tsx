import { Button, Checkbox, Group, NumberInput, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import type { PictureWish, TakePicture } from '../viewport/index.ts';
import { saveFile } from '../ui/index.ts';
import { texts } from '../words/index.ts';

const LARGEST = 8192;

/** The view as a PNG of a chosen size. */
export function StillPicture({ take, name }: { take: TakePicture; name: string }) {
  const [options, setOptions] = useState<PictureWish>({ width: 1920, height: 1080, clearGround: false });
  const [isBusy, setIsBusy] = useState(false);
  const size = (field: 'width' | 'height') => (
    <NumberInput
      label={texts.handOver[field]}
      value={options[field]}
      min={16}
      max={LARGEST}
      suffix=" px"
      allowDecimal={false}
      clampBehavior="blur"
      onChange={(value) => typeof value === 'number' && setOptions({ ...options, [field]: value })}
    />
  );
  const fits = [options.width, options.height].every((v) => v >= 16 && v <= LARGEST);
  const save = async (): Promise<void> => {
    setIsBusy(true);
    const bytes = await take(options);
    setIsBusy(false);
    if (bytes) saveFile(bytes, `${name.trim() || texts.pieces.newWords}.png`);
  };
  return (
    <Stack gap="sm">
      <Text fw={600} size="sm">
        {texts.handOver.picture}
      </Text>
      <Group grow>
        {size('width')}
        {size('height')}
      </Group>
      <Checkbox
        label={texts.handOver.ground}
        checked={options.clearGround}
        onChange={(event) => setOptions({ ...options, clearGround: event.currentTarget.checked })}
      />
      <Button variant="default" loading={isBusy} disabled={!fits} onClick={() => void save()}>
        {texts.handOver.savePicture}
      </Button>
    </Stack>
  );
}
