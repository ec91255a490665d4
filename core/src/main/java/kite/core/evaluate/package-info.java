/**
 * From a document to numbers at a frame. A {@link kite.core.evaluate.Plan} holds every entity in
 * order of dependency; evaluating a frame walks it without allocating.
 */
package kite.core.evaluate;
