/**
 * The job's rules and arithmetic: pure Java, no framework, no clock, no input or output. Every
 * function takes what it needs (limits, date, kit, catalogue) and returns one typed result that
 * carries its justifications.
 */
@org.jspecify.annotations.NullMarked
package riposo.core;
