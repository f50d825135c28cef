import { faultsSchema, resultsSchema } from './results-schema';

const answer = (description: string, schema: string) => ({
  description,
  content: { 'application/json': { schema: { $ref: `#/components/schemas/${schema}` } } },
});

/** OpenAPI 3.1 description of what a script can ask of a running application. */
export const openApi = {
  // eslint-disable-next-line no-restricted-syntax -- a version, no clause
  openapi: '3.1.0',
  info: { title: 'Intarsia', version: '1', description: 'Designs reinforced concrete members to code. Nothing that is posted is kept.' },
  paths: {
    '/api/design': {
      get: {
        summary: 'This description',
        responses: { '200': { description: 'OpenAPI 3.1', content: { 'application/json': { schema: { type: 'object' } } } } },
      },
      post: {
        summary: 'Designs the members of a project file',
        parameters: [
          {
            name: 'derive',
            in: 'query',
            required: false,
            description: 'none leaves the derivations out',
            schema: { type: 'string', enum: ['none'] },
          },
        ],
        requestBody: {
          required: true,
          description: 'A project file as docs/file-format.md describes it, at most 5 MB',
          content: { 'application/json': { schema: { type: 'object', required: ['format', 'version'] } } },
        },
        responses: {
          '200': answer('Results, members in the order of the file', 'Results'),
          '413': answer('The file is too large', 'Faults'),
          '422': answer('The file has faults, each at its path', 'Faults'),
          '429': answer('Too many designs are asked for at once', 'Faults'),
          '503': answer('The design takes too long or too much memory here', 'Faults'),
        },
      },
    },
  },
  components: { schemas: { Results: resultsSchema, Faults: faultsSchema } },
} as const;
