import { z } from 'zod';
import { Readings, ToldMatch, ToldRelease } from '@/core/screens/screen';
import { MATCH_FORMS } from './match';
import { ownOrigin } from '../http/origin';

const brand = { name: 'brand', in: 'path', required: true, schema: { type: 'string' }, description: 'Id of the brand.' };
const release = {
  name: 'release',
  in: 'path',
  required: true,
  schema: { type: 'string', pattern: '^(latest|[1-9][0-9]{0,6})$' },
  description: 'Number of a release, or "latest".',
};
const failed = {
  description: 'Refused, with one sentence that says what, where, and what to do.',
  content: { 'application/json': { schema: { type: 'object', properties: { error: { type: 'string' } }, required: ['error'] } } },
};
const known = { description: 'What the client has, by the entity tag that it named, is it.' };
const binary = { schema: { type: 'string', format: 'binary' } };

/** What consumers may ask of this server, as an OpenAPI 3.1 document; shapes come from the schemas that check them. */
export function openApi(): object {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Breakwater, for consumers',
      version: '1.0.0',
      description: 'Released colours of a brand, their files, and what screens show of them.',
    },
    servers: [{ url: ownOrigin() }],
    security: [{ token: [] }],
    components: {
      securitySchemes: {
        token: { type: 'http', scheme: 'bearer', description: 'A token for builds, made under Ship. It is for one brand.' },
      },
    },
    paths: {
      '/consumer/{brand}/releases/{release}': {
        get: {
          operationId: 'release',
          summary: 'What a release is, and the colour of each token in each theme.',
          parameters: [brand, release],
          responses: {
            200: {
              description: 'The release.',
              content: { 'application/json': { schema: z.toJSONSchema(ToldRelease, { io: 'input' }) } },
            },
            304: known,
            default: failed,
          },
        },
      },
      '/consumer/{brand}/files/{sha256}': {
        get: {
          operationId: 'file',
          summary: 'A released file by its hash, which never changes.',
          parameters: [
            brand,
            { name: 'sha256', in: 'path', required: true, schema: { type: 'string', pattern: '^[0-9a-f]{64}$' } },
          ],
          responses: {
            200: { description: 'Its bytes; the entity tag is the hash.', content: { '*/*': binary } },
            304: known,
            default: failed,
          },
        },
      },
      '/deliver/{brand}/{release}': {
        get: {
          operationId: 'zip',
          summary: 'All files of a release as one zip.',
          parameters: [brand, release],
          responses: { 200: { description: 'The zip.', content: { 'application/zip': binary } }, 304: known, default: failed },
        },
      },
      '/deliver/{brand}/{release}/{path}': {
        get: {
          operationId: 'fileAt',
          summary: 'A released file by its path, byte for byte.',
          parameters: [
            brand,
            release,
            {
              name: 'path',
              in: 'path',
              required: true,
              schema: { type: 'string' },
              description: 'Path of the file; its slashes may be written as %2F.',
            },
          ],
          responses: {
            200: { description: 'Its bytes; the entity tag is its hash.', content: { '*/*': binary } },
            304: known,
            default: failed,
          },
        },
      },
      '/consumer/{brand}/match': {
        get: {
          operationId: 'match',
          summary: 'The match report: what screens were last found to show, held against the latest release.',
          parameters: [
            brand,
            { name: 'as', in: 'query', required: false, schema: { type: 'string', enum: [...MATCH_FORMS], default: 'json' } },
          ],
          responses: {
            200: {
              description: 'The report.',
              content: {
                'application/json': { schema: z.toJSONSchema(ToldMatch, { io: 'input' }) },
                'text/csv': { schema: { type: 'string' } },
                'application/pdf': binary,
              },
            },
            default: failed,
          },
        },
      },
      '/consumer/{brand}/screens/{screen}/readings': {
        post: {
          operationId: 'report',
          summary: 'Keeps what a screen showed, held against the latest release. Takes a token that may report.',
          parameters: [
            brand,
            { name: 'screen', in: 'path', required: true, schema: { type: 'string' }, description: 'Id of the screen.' },
          ],
          requestBody: { required: true, content: { 'application/json': { schema: z.toJSONSchema(Readings, { io: 'input' }) } } },
          responses: {
            200: { description: 'Kept.', content: { 'application/json': { schema: { type: 'object' } } } },
            default: failed,
          },
        },
      },
    },
  };
}
