import { plainToInstance } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import { DECISION_KINDS, JOB_VERSION, JobDto, type Decision } from './decisions';
import { jobErrors } from './errors';

/**
 * Reads a job file's text and checks every part of it.
 *
 * @throws JobError with one sentence: not JSON, unknown version, unknown decision, a value out of bounds
 */
export function parseJob(text: string, fileName: string): JobDto {
  let plain: unknown;
  try {
    plain = JSON.parse(text);
  } catch {
    throw jobErrors.notJson(fileName);
  }
  if (typeof plain !== 'object' || plain === null) throw jobErrors.invalid('it holds no job');
  const { version } = plain as { version?: unknown };
  if (version !== JOB_VERSION) throw jobErrors.wrongVersion(version);
  const job = plainToInstance(JobDto, plain);
  check(job);
  const decisions = job.ledger.decisions.map(checkDecision);
  if (job.ledger.position > decisions.length)
    throw jobErrors.invalid(`its ledger stands at line ${job.ledger.position} of ${decisions.length}`);
  return { ...job, ledger: { decisions, position: job.ledger.position } };
}

function checkDecision(plain: unknown, at: number): Decision {
  const kind = (plain as { kind?: unknown } | null)?.kind;
  if (typeof kind !== 'string' || !Object.hasOwn(DECISION_KINDS, kind)) throw jobErrors.unknownDecision(kind, at);
  const decision = plainToInstance(DECISION_KINDS[kind as Decision['kind']], plain) as Decision;
  check(decision, `line ${at + 1} of the ledger, `);
  return { ...decision };
}

function check(value: object, where = ''): void {
  const [error] = validateSync(value, { whitelist: true, forbidNonWhitelisted: true });
  if (error) throw jobErrors.invalid(where + firstSentence(error));
}

function firstSentence(error: ValidationError): string {
  if (error.constraints) return Object.values(error.constraints)[0]!;
  return error.children?.[0] ? firstSentence(error.children[0]) : `${error.property} is not as it should be`;
}
