/** Why an edit can't be made, in a sentence for people. */
export class EditError extends Error {
  override readonly name = 'EditError';
}
