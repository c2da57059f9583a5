package riposo.core.dose;

import org.jspecify.annotations.Nullable;

/**
 * What is to be done in a slot, a round and a side.
 *
 * @param rounds how many rounds
 * @param reps repetitions expected in the interval; null for a hold or where not counted
 * @param holdSeconds one hold; null for a moving exercise
 * @param grams weight per hand; null where the movement takes none, 0 for "no weight"
 * @param hands how many hands hold it
 * @param share share of body weight moved; null where it does not apply
 * @param band true when a band is used
 */
public record Dose(
    int rounds,
    @Nullable Integer reps,
    @Nullable Integer holdSeconds,
    @Nullable Integer grams,
    int hands,
    @Nullable Double share,
    boolean band) {}
