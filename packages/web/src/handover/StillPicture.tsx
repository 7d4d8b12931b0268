import { PICTURE_FIELDS, rangeOf, usualOf } from '@fictile/core';
import { Button, Checkbox, Group, NumberInput, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import type { PictureWish, TakePicture } from '../viewport/index.ts';
import { saveFile } from '../ui/index.ts';
import { texts } from '../words/index.ts';

/** The view as a PNG of a chosen size. */
export function StillPicture({ take, name }: { take: TakePicture; name: string }) {
  const [options, setOptions] = useState<PictureWish>({ ...usualOf(PICTURE_FIELDS), clearGround: false });
  const [isBusy, setIsBusy] = useState(false);
  const size = (field: 'width' | 'height') => (
    <NumberInput
      label={texts.handOver[field]}
      value={options[field]}
      min={rangeOf(PICTURE_FIELDS[field]).min}
      max={rangeOf(PICTURE_FIELDS[field]).max}
      suffix=" px"
      allowDecimal={false}
      clampBehavior="blur"
      onChange={(value) => typeof value === 'number' && setOptions({ ...options, [field]: value })}
    />
  );
  const fits = (['width', 'height'] as const).every((field) => {
    const { min, max } = rangeOf(PICTURE_FIELDS[field]);
    return options[field] >= min && options[field] <= max;
  });
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
