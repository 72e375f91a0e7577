/** French: its messages, and the names of things with their genders. Children are addressed as "tu", the family as "vous". */
import { messages } from './compiled/fr';
import { speak, type NounForm } from './speak';
import type { Words } from './words';

interface Noun {
  readonly gender: 'm' | 'f';
  readonly one: string;
  readonly other: string;
}

const m = (one: string, other = `${one}s`): Noun => ({ gender: 'm', one, other });
const f = (one: string, other = `${one}s`): Noun => ({ gender: 'f', one, other });

const NOUNS: Readonly<Record<string, Noun>> = {
  'laundry basket': m('panier à linge', 'paniers à linge'),
  bucket: m('seau', 'seaux'),
  'cardboard box': m('carton'),
  'shoe box': f('boîte à chaussures', 'boîtes à chaussures'),
  'mixing bowl': m('saladier'),
  'large bowl': m('grand bol', 'grands bols'),
  'small bowl': m('petit bol', 'petits bols'),
  'washing-up bowl': f('bassine'),
  saucepan: f('casserole'),
  'large yoghurt pot': m('grand pot de yaourt', 'grands pots de yaourt'),
  'empty plastic bottle': f('bouteille en plastique vide', 'bouteilles en plastique vides'),
  'small plastic bottle': f('petite bouteille en plastique', 'petites bouteilles en plastique'),
  'bottle with a little water': f('bouteille avec un peu d’eau', 'bouteilles avec un peu d’eau'),
  'kitchen roll': m('rouleau d’essuie-tout', 'rouleaux d’essuie-tout'),
  'cardboard tube': m('tube en carton', 'tubes en carton'),
  'small tin': f('petite boîte en fer', 'petites boîtes en fer'),
  'empty food can': f('boîte de conserve vide', 'boîtes de conserve vides'),
  'empty cereal box': f('boîte de céréales vide', 'boîtes de céréales vides'),
  'paper cup': m('gobelet en carton', 'gobelets en carton'),
  'broom handle': m('manche à balai', 'manches à balai'),
  'paper plate on a chair': f('assiette en carton sur une chaise', 'assiettes en carton sur une chaise'),
  'paper plate': f('assiette en carton', 'assiettes en carton'),
  'loop of string': f('boucle de ficelle', 'boucles de ficelle'),
  'ring made of a towel': m('anneau fait d’une serviette', 'anneaux faits d’une serviette'),
  'door mat': m('paillasson'),
  'gate of two shoes': f('porte faite de deux chaussures', 'portes faites de deux chaussures'),
  'gate under a chair': f('porte sous une chaise', 'portes sous une chaise'),
  'front of the sofa': m('devant du canapé', 'devants du canapé'),
  'seat of the sofa': f('assise du canapé', 'assises du canapé'),
  'basket on its side': m('panier couché', 'paniers couchés'),
  'box on its side': m('carton couché', 'cartons couchés'),
  'cup on its side': m('gobelet couché', 'gobelets couchés'),
  wall: m('mur'),
  'cardboard ramp': f('rampe en carton', 'rampes en carton'),
  pillow: m('oreiller'),
  chair: f('chaise'),
  'towel laid as a strip': f('serviette posée en bande', 'serviettes posées en bande'),
  'clothes horse': m('séchoir à linge', 'séchoirs à linge'),
  'sock ball': f('boule de chaussettes', 'boules de chaussettes'),
  'big sock ball': f('grosse boule de chaussettes', 'grosses boules de chaussettes'),
  'foil ball': f('boule de papier d’aluminium', 'boules de papier d’aluminium'),
  'foam ball': f('balle en mousse', 'balles en mousse'),
  'tennis ball': f('balle de tennis', 'balles de tennis'),
  'playground ball': m('ballon de cour', 'ballons de cour'),
  football: m('ballon de foot', 'ballons de foot'),
  'table-tennis ball': f('balle de ping-pong', 'balles de ping-pong'),
  'paper ball': f('boule de papier', 'boules de papier'),
  'ball of wool': f('pelote de laine', 'pelotes de laine'),
  'dry sponge': f('éponge sèche', 'éponges sèches'),
  'little bag of rice': m('petit sac de riz', 'petits sacs de riz'),
  'small soft toy': f('petite peluche', 'petites peluches'),
  'toilet roll': m('rouleau de papier toilette', 'rouleaux de papier toilette'),
  cork: m('bouchon de liège', 'bouchons de liège'),
  balloon: m('ballon de baudruche', 'ballons de baudruche'),
  'paper plane': m('avion en papier', 'avions en papier'),
  'jar lid': m('couvercle de bocal', 'couvercles de bocal'),
  coin: f('pièce de monnaie', 'pièces de monnaie'),
  'old shoe': f('vieille chaussure', 'vieilles chaussures'),
  coat: m('manteau', 'manteaux'),
  hat: m('bonnet'),
  scarf: f('écharpe'),
  'pair of boots': f('paire de bottes', 'paires de bottes'),
  'small cup': m('petit gobelet', 'petits gobelets'),
  'piece of card': m('bout de carton', 'bouts de carton'),
  'sheet of paper': f('feuille de papier', 'feuilles de papier'),
  bag: m('sac'),
  pencil: m('crayon'),
  sock: f('chaussette'),
  book: m('livre'),
  magazine: m('magazine'),
  'chalk line': m('trait de craie', 'traits de craie'),
  'strip of tape': m('bout de ruban adhésif', 'bouts de ruban adhésif'),
  'piece of string': m('bout de ficelle', 'bouts de ficelle'),
  'piece of paper': m('bout de papier', 'bouts de papier'),
  'tea towel': m('torchon'),
  'cushion cover': f('housse de coussin', 'housses de coussin'),
  leaf: f('feuille'),
  stick: m('bâton'),
  peg: f('pince à linge', 'pinces à linge'),
  shoe: f('chaussure'),
  left: m('gauche', 'gauches'),
  right: m('droit'),
};

/** A side beside a feminine noun: "la main droite". */
const FEMININE: Readonly<Record<string, string>> = { left: 'gauche', right: 'droite' };

const startsWithVowel = (word: string) => /^[aeiouyàâéèêëîïôûœ]/i.test(word);

function noun(english: string, form: NounForm, n: number): string {
  if (form === 'f') return FEMININE[english] ?? english;
  const known = NOUNS[english];
  // What a school named itself is quoted: nothing is known of its gender.
  if (!known) return form === 'bare' ? english : `« ${english} »`;
  const { gender, one, other } = known;
  const elided = startsWithVowel(one);
  switch (form) {
    case 'the':
      return elided ? `l’${one}` : `${gender === 'm' ? 'le' : 'la'} ${one}`;
    case 'a':
      return `${gender === 'm' ? 'un' : 'une'} ${one}`;
    case 'of':
      return elided ? `de l’${one}` : gender === 'm' ? `du ${one}` : `de la ${one}`;
    default:
      return n > 1 ? other : one;
  }
}

/** A double mark of French stands after a space that does not break. In messages the compiler of the catalogue sees to it. */
const spaced = (text: string) => text.replace(/ ([:;?!»])/g, '\u00a0$1').replace(/« /g, '«\u00a0');

export const french: Words = speak({
  tag: 'fr',
  direction: 'ltr',
  messages,
  noun: (english, form, n) => spaced(noun(english, form, n)),
  elided: (before, after) => (/^ils?\b/i.test(after) ? before.replace(/\b([Ss])i $/, '$1’') : before),
});

/** The names of things that French knows. */
export const FRENCH_NOUNS: readonly string[] = Object.keys(NOUNS);
