package riposo.core.wording;

import org.jspecify.annotations.Nullable;

/**
 * One rule as it can be read.
 *
 * @param id stable and unique
 * @param area what it is about, one of a few
 * @param words what it does; where it rests on an answer, as it reads for one such answer
 * @param source where it comes from
 * @param school the school it belongs to where there are two; null otherwise
 * @param switched where it is taken up, changed or turned off; "always on" where nowhere
 */
public record RuleEntry(
    String id,
    String area,
    String words,
    String source,
    @Nullable String school,
    String switched) {}
