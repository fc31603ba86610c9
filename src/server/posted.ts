import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import 'reflect-metadata';

/** What a request carries as JSON, when it has the shape; null when it is something else or did not arrive whole. */
export async function posted<T extends object>(request: Request, shape: new () => T): Promise<T | null> {
  const body: unknown = await request.json().catch(() => null);
  if (typeof body !== 'object' || body === null || Array.isArray(body)) return null;
  const rules = { whitelist: true, forbidNonWhitelisted: true };
  try {
    const wanted = plainToInstance(shape, body);
    return validateSync(wanted, rules).length > 0 ? null : wanted;
  } catch {
    // Keys like "constructor" are no data to either of them.
    return null;
  }
}
