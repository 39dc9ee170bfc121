import type { APIRoute } from 'astro';
import { importProgress } from '~/services/import-catalogue';
import { answer } from '../../_respond';

export const GET: APIRoute = ({ params }) => answer(importProgress(params['id']!));
