/** The same fields where a form holds the texts: each knows its place in the form, and says what is wrong there. */
import { Controller, useFormContext, type FieldPath, type FieldValues } from "react-hook-form";
import { PickField, type PickProps } from "./PickField.tsx";
import { useRefused } from "./refusals.ts";
import { TypedField, type TypedProps } from "./TypedField.tsx";

type At<T extends FieldValues> = { readonly name: FieldPath<T> };

type FormFieldProps<T extends FieldValues> = At<T> &
  Omit<TypedProps, "name" | "value" | "onChange"> & {
    /** told of every key, before the form is */
    readonly onTyped?: () => void;
  };

export function FormField<T extends FieldValues>({ name, problem, onTyped, ...rest }: FormFieldProps<T>) {
  const { register, getFieldState, formState } = useFormContext<T>();
  const refused = useRefused(name);
  const { onChange, ...field } = register(name);
  return (
    <TypedField
      fullWidth
      {...rest}
      {...field}
      onChange={(event) => {
        onTyped?.();
        void onChange(event);
      }}
      problem={getFieldState(name, formState).error?.message ?? problem ?? refused}
    />
  );
}

export function FormPick<T extends FieldValues>({ name, ...rest }: At<T> & Omit<PickProps, "name">) {
  const { control } = useFormContext<T>();
  const refused = useRefused(name);
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <PickField
          fullWidth
          {...rest}
          {...field}
          problem={fieldState.error?.message ?? rest.problem ?? refused}
        />
      )}
    />
  );
}
