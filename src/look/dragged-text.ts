/** The dragged text, such as an action on its way to an input; undefined for anything else. */
export const draggedText = ({ dataTransfer }: DragEvent): string | undefined =>
  dataTransfer?.getData('text/plain') || undefined
