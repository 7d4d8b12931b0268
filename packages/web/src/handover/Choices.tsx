import { Checkbox, Group, NativeSelect, Text } from '@mantine/core';
import {
  canHold,
  LEVELS_AS,
  usualUp,
  type LengthUnit,
  type LevelsAs,
  type UvSpace,
  type WriteOptions,
} from '@fictile/core';
import { NumberValue } from '../ui/index.ts';
import { texts } from '../words/index.ts';

interface ChoicesProps {
  options: WriteOptions;
  onChange: (options: WriteOptions) => void;
}

const T = texts.handOver;
const SPACES: readonly UvSpace[] = ['none', 'words', 'letters', 'packed'];
const LEVELS = [1, 2, 3, 4];

/** What a format leaves open. */
export function Choices({ options, onChange }: ChoicesProps) {
  const { format } = options;
  if (!canHold(format, 'frame')) {
    return (
      <>
        {canHold(format, 'nodes') && (
          <Checkbox
            label={T.nodes}
            checked={options.nodes === 'letters'}
            onChange={(event) => onChange({ ...options, nodes: event.currentTarget.checked ? 'letters' : 'one' })}
          />
        )}
        {canHold(format, 'uv') && <Textured options={options} onChange={onChange} />}
      </>
    );
  }
  return (
    <>
      <Group grow align="end">
        <NativeSelect
          label={T.unit}
          data={['mm', 'cm', 'm', 'in']}
          value={options.unit}
          onChange={(event) => onChange({ ...options, unit: event.currentTarget.value as LengthUnit })}
        />
        <NativeSelect
          label={T.up}
          data={['y', 'z']}
          value={options.up === 'usual' ? usualUp(options.format) : options.up}
          onChange={(event) => onChange({ ...options, up: event.currentTarget.value as 'y' | 'z' })}
        />
      </Group>
      {canHold(format, 'materials') && (
        <Checkbox
          label={T.materials}
          checked={options.materials}
          onChange={(event) => onChange({ ...options, materials: event.currentTarget.checked })}
        />
      )}
      {canHold(format, 'polygons') && (
        <Checkbox
          label={T.triangles}
          checked={options.triangles}
          onChange={(event) => onChange({ ...options, triangles: event.currentTarget.checked })}
        />
      )}
      {canHold(format, 'uv') && <Textured options={options} onChange={onChange} />}
    </>
  );
}

/** For formats that hold texture coordinates, and several objects by name. */
function Textured({ options, onChange }: ChoicesProps) {
  const { format, uv, uvTileMm, tangents, levels } = options;
  return (
    <>
      <NativeSelect
        label={T.uv}
        data={SPACES.map((value) => ({ value, label: T.uvs[value] }))}
        value={uv}
        onChange={(event) => onChange({ ...options, uv: event.currentTarget.value as UvSpace })}
      />
      {(uv === 'words' || uv === 'letters') && (
        <Text size="sm" component="div">
          {T.tile}{' '}
          <NumberValue
            label={T.tile}
            value={uvTileMm}
            kind="length"
            unit="mm"
            min={0.01}
            max={100_000}
            step={5}
            usual={100}
            onChange={(mm) => onChange({ ...options, uvTileMm: mm })}
          />
          .
        </Text>
      )}
      {canHold(format, 'tangents') && uv !== 'none' && (
        <Checkbox
          label={T.tangents}
          checked={tangents}
          onChange={(event) => onChange({ ...options, tangents: event.currentTarget.checked })}
        />
      )}
      <NativeSelect
        label={T.levels}
        data={LEVELS.map((n) => ({ value: String(n), label: T.levelsOf(n) }))}
        value={String(levels)}
        onChange={(event) => onChange({ ...options, levels: Number(event.currentTarget.value) })}
      />
      {levels > 1 && (
        <NativeSelect
          label={T.levelsAs}
          data={LEVELS_AS.filter((as) => as !== 'linked' || canHold(format, 'linkedLevels')).map((value) => ({
            value,
            label: T.levelsAsOf[value],
          }))}
          value={options.levelsAs === 'linked' && !canHold(format, 'linkedLevels') ? 'files' : options.levelsAs}
          onChange={(event) => onChange({ ...options, levelsAs: event.currentTarget.value as LevelsAs })}
        />
      )}
    </>
  );
}
