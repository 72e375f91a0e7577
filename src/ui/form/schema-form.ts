/**
 * A form over the schema that its route checks too. Errors stand beside their fields, the first of them gets the focus; what a route
 * refuses is put beside the field that it names, and nothing that was typed is lost.
 */
import { joiResolver } from '@hookform/resolvers/joi';
import type Joi from 'joi';
import { useForm, type DefaultValues, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { PostAnswer } from '../post';

/** What is wrong with a field, as it is said to a person. */
const SAID: Readonly<Record<string, string>> = {
  'any.required': 'This is needed.',
  'any.only': 'Choose one of the list.',
  'string.empty': 'Write something here.',
  'string.min': 'Write at least {#limit} letters.',
  'string.max': 'Write at most {#limit} letters.',
  'string.email': 'Write an address with an @.',
  'string.pattern.base': 'This is not written as it should be.',
  'string.pattern.name': '{#name}',
  'number.base': 'Write a number.',
  'number.integer': 'Write a whole number.',
  'number.min': 'The least is {#limit}.',
  'number.max': 'The most is {#limit}.',
  'array.min': 'Choose at least {#limit}.',
};

export function useSchemaForm<T extends FieldValues>(schema: Joi.Schema<T>, values: DefaultValues<NoInfer<T>>): UseFormReturn<T> {
  return useForm<T>({
    defaultValues: values,
    resolver: joiResolver(schema as Joi.ObjectSchema<T>, { abortEarly: false, messages: SAID, errors: { wrap: { label: false } } }),
    shouldFocusError: true,
  });
}

/** Puts what a route refused beside the fields that it names; what it names no field of stands under the form. True when it was taken. */
export function tookIt<T extends FieldValues>(form: UseFormReturn<T>, answer: Pick<PostAnswer<unknown>, 'ok' | 'problem' | 'problems'>): boolean {
  if (answer.ok) return true;
  const fields = Object.keys(form.getValues());
  const placed = (answer.problems ?? []).filter(({ place }) => fields.includes(place.split('/')[1] ?? ''));
  placed.forEach(({ place, reason, fix }, index) =>
    form.setError(place.slice(1).replaceAll('/', '.') as FieldPath<T>, { message: `${reason} ${fix}` }, { shouldFocus: index === 0 }),
  );
  if (placed.length === 0) form.setError('root', { message: answer.problem });
  return false;
}
