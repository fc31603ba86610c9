/* What a batch is told on its command line. */
import { availableParallelism } from 'node:os';
import { resolve } from 'node:path';
import { HOUSE_RECIPES, readHouseList, readRecipe, type HouseEntry, type Recipe } from '../../core/documents';
import { recipeFault } from '../../core/dispatch';
import { parsed } from '../arguments';
import { say } from '../../core/words';
import { BadInput, BadUsage, badOption } from '../errors';
import { readFile } from '../input';

export const BATCH_USAGE =
  'dragoman batch DIR -o OUTDIR --recipe R.json|NAME [--jobs N] [--list] [--shard I/N] [--parcel] [--house-list H.json] [--date YYYY-MM-DD] [--timeout SECONDS]';

export interface BatchOptions {
  /** Names on the list stand in it. */
  folder: string;
  output: string;
  recipe: Recipe;
  houseList: readonly HouseEntry[];
  /** Files at once. */
  jobs: number;
  /** Names come from standard input, one a line. */
  list: boolean;
  /** Which share of the names is ours, from 1. */
  shard: { index: number; of: number };
  /** One zip of each file. */
  parcel: boolean;
  /** ISO date written into files. */
  date: string;
  /** A file that takes longer is given up. */
  seconds: number;
}

/** @throws BadUsage or BadInput with one sentence */
export function batchOptions(args: readonly string[]): BatchOptions {
  const { positionals, values } = parsed(args, {
    output: { type: 'string', short: 'o' },
    recipe: { type: 'string' },
    jobs: { type: 'string' },
    list: { type: 'boolean' },
    shard: { type: 'string' },
    parcel: { type: 'boolean' },
    'house-list': { type: 'string' },
    date: { type: 'string' },
    timeout: { type: 'string' },
  });
  const [folder] = positionals;
  const { output, recipe, date = new Date().toISOString().slice(0, 10) } = values;
  if (positionals.length !== 1 || !folder || typeof output !== 'string' || typeof recipe !== 'string')
    throw new BadUsage('', BATCH_USAGE);
  if (resolve(folder) === resolve(output)) throw new BadUsage(say('cli.sameFolder', { folder }), BATCH_USAGE);
  if (typeof date !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(date) || Number.isNaN(Date.parse(date)))
    throw badOption('date', say('cli.aDay'), date, BATCH_USAGE);
  const list = values['house-list'];
  return {
    folder,
    output,
    recipe: recipeOf(recipe),
    houseList: typeof list === 'string' ? readHouseList(new TextDecoder().decode(readFile(list)), list) : [],
    jobs: whole('jobs', values.jobs, availableParallelism(), 256),
    list: values.list === true,
    shard: shardOf(values.shard),
    parcel: values.parcel === true,
    date,
    seconds: whole('timeout', values.timeout, 600, 86_400),
  };
}

/** A recipe of the house by its name, or one in a file. */
function recipeOf(wanted: string): Recipe {
  const own = HOUSE_RECIPES.find(({ name }) => name.toLowerCase() === wanted.toLowerCase());
  if (own) return own;
  if (!/\.json$/i.test(wanted)) {
    const names = HOUSE_RECIPES.map(({ name }) => `“${name}”`).join(', ');
    throw badOption('recipe', say('cli.aRecipe', { names }), wanted, BATCH_USAGE);
  }
  const recipe = readRecipe(new TextDecoder().decode(readFile(wanted)), wanted);
  const fault = recipeFault(recipe);
  if (fault) throw new BadInput(`${wanted}: ${fault}`);
  return recipe;
}

function whole(name: string, given: string | boolean | undefined, usual: number, most: number): number {
  if (given === undefined) return usual;
  const value = Number(given);
  if (!Number.isInteger(value) || value < 1 || value > most)
    throw badOption(name, say('cli.numbers', { least: 1, most }), given, BATCH_USAGE);
  return value;
}

function shardOf(given: string | boolean | undefined): { index: number; of: number } {
  if (given === undefined) return { index: 1, of: 1 };
  const [, index, of] = /^(\d+)\/(\d+)$/.exec(String(given)) ?? [];
  const shard = { index: Number(index), of: Number(of) };
  if (!(shard.index >= 1 && shard.index <= shard.of && shard.of <= 1_000_000))
    throw badOption('shard', say('cli.aShare'), given, BATCH_USAGE);
  return shard;
}
