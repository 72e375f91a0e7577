/** Signing in. */
import Joi from 'joi';

export interface SigningIn {
  readonly email: string;
  readonly password: string;
  /** Of the second factor, or one to recover by; empty before it is asked for. */
  readonly code: string;
}

export const signInSchema = Joi.object<SigningIn>({
  email: Joi.string().trim().max(190).required(),
  password: Joi.string().max(200).required(),
  code: Joi.string().trim().max(20).allow('').default(''),
});
