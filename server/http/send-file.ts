import type { Response } from 'express';
import type { Route } from '#formats/api';

/** Sends a text as a file to be kept, in the media type its route names. */
export function sendFile(
  response: Response,
  { answer }: { readonly answer: Extract<Route['answer'], { readonly media: string }> },
  name: string,
  text: string,
): void {
  response.type(answer.media).setHeader('content-disposition', `attachment; filename="${name}"`);
  response.send(text);
}
