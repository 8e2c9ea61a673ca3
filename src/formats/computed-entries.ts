/** What entries of the computed plan are made of. */
import { array, boolean, type InferType, mixed, number, type ObjectShape, object, type Schema, string } from 'yup';

export const words = string().strict().defined();
export const figure = number().strict().required();
export const whole = number().strict().integer().required();
export const yesNo = boolean().strict().required();
export const anything = mixed<object>().meta({ anyRecord: true }).required();
export const oneOf = <T extends string>(values: readonly T[]) =>
  string()
    .strict()
    .oneOf([...values])
    .required();
export const list = <T extends Schema>(of: T) => array(of).required();
export const some = <T extends Schema>(n: number, of: T) => array(of).required().min(n).max(n);
export const record = <S extends ObjectShape>(shape: S) => object(shape).noUnknown().strict().required();
export const each = <K extends string, T extends Schema>(names: readonly K[], of: T) =>
  record(Object.fromEntries(names.map((name) => [name, of])) as Record<K, T>);
export const orNull = <T extends Schema>(of: T) => of.nullable() as unknown as Schema<InferType<T> | null>;
