import type { APIRoute } from 'astro';
import { findSamples } from '~/services/sample-situations';

export const GET: APIRoute = async ({ locals }) => Response.json(await findSamples(locals.app));
