/**
 * The JSON form of documents, read and written in one place for both sides. Strict: unknown,
 * missing and ill-typed fields are refused with the path to the field. Field names are the record
 * components'; a sealed type says which it is in {@code kind}.
 */
package kite.core.form;
