/** Signing in. */
import Joi from 'joi';

export interface SigningIn {
  readonly email: string;
  readonly password: string;
}

export const signInSchema = Joi.object<SigningIn>({
  email: Joi.string().trim().max(190).required(),
  password: Joi.string().max(200).required(),
});
