interface ValueFieldProps {
  label: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  step?: number;
  whole?: boolean;
  onChange: (value: number) => void;
}
/** A number with its unit. What is typed half-way (empty, out of range) waits in the field and never reaches the document. */
export declare function ValueField({
  label,
  value,
  unit,
  min,
  max,
  step,
  whole,
  onChange,
}: ValueFieldProps): import('react').JSX.Element;
export {};
//# sourceMappingURL=ValueField.d.ts.map
