import type { MarkId } from '../state/marks-slice';
import { useMarks } from '../state/store';

export const toggleMark = (id: MarkId): void => useMarks.setState((marks) => ({ [id]: !marks[id] }));
