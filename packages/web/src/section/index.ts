export { SectionCard } from './SectionCard.tsx';
