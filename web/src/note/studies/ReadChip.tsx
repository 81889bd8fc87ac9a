import { ChoiceChip } from "../chips";
import { useStudies } from "../useStudies";

/** The study that a statement reads. */
export function ReadChip({ value, onChoose }: { value: string; onChoose: (name: string) => void }) {
  const studies = useStudies();
  return <ChoiceChip label="study" value={value} missing={!studies.some(([n]) => n === value)} options={studies} onChoose={onChoose} />;
}
