package riposo.core.plan;

import java.util.List;
import java.util.Locale;

/**
 * The formats. Each names the numbers it needs; the worked example in its comment is repeated by a
 * test.
 */
public enum FormatKind {
  /** One after another, each slot its own seconds, no rest: 5 x 60 s = 5:00. */
  IN_TURN("one after another", 0),
  /** Work, rest, rounds over the whole list: 10 x 50/10, 2 rounds = 20:00. */
  INTERVALS("intervals, in order", 0, Param.WORK, Param.REST, Param.ROUNDS),
  /** Pairs A-B, rounds per pair: 3 pairs, 2 rounds each, 45/15 = 12:00. */
  PAIRED("intervals, paired A-B", 0, Param.WORK, Param.REST, Param.ROUNDS),
  /**
   * Blocks of n, a long rest between rounds and blocks: 2 blocks of 5, 30/20, 2 rounds, 45 = 18:55.
   */
  BLOCKS("blocks", 0, Param.WORK, Param.REST, Param.ROUNDS, Param.SIZE, Param.LONG_REST),
  /** Two moves in turn, 4 or 8 intervals a pair: 8 x (20 + 10) = 4:00. Raises the effort by 1. */
  BURSTS("short bursts", 1, Param.WORK, Param.REST, Param.ROUNDS),
  /**
   * Shorter work each round, rest = work of that round, none after the last: 5 moves,
   * 60/50/40/30/20 = 16:40 + 3:00 = 19:40.
   */
  LADDER("ladder", 0),
  /** Strength, then a burst of the partner: (60 + 30) x 3 pairs x 2 rounds = 9:00. */
  STRENGTH_PULSE("strength + pulse", 1, Param.WORK, Param.BURST, Param.REST, Param.ROUNDS),
  /** Sets and reps: 2 x 10 at 3-0-1-0, 45 s rest = 2:05; per side doubles the work. */
  SETS("sets and reps", 0, Param.SETS, Param.REPS, Param.REST, Param.BETWEEN),
  /** Timed holds: 5 x (10 + 10) = 1:40; the last rest may be dropped. */
  HOLDS("timed holds", 0, Param.HOLD, Param.REST, Param.REPEATS, Param.DROP_LAST_REST),
  /** A number of repetitions in sets: 30 in fives = 6 sets, estimated. */
  GATHER("gather", 0, Param.TOTAL, Param.SET_SIZE, Param.REST),
  /** As many rounds as possible: the time is the time, 20:00. Raises the effort by 1. */
  ROUNDS_POSSIBLE("as many rounds as possible", 1, Param.CAP, Param.REPS),
  /** Through the day: movements x reps, ticks, no clock. */
  THROUGH_DAY("through the day", 0, Param.REPS, Param.TIMES),
  /** On and off on one device: 4 x (90 + 30) = 8:00. */
  WALK_IN("walk-in bouts", 0, Param.ON, Param.OFF, Param.REPEATS),
  /**
   * Each movement its own count: squat 8 at 4-4-1-0 72 s + push-up 10 at 4 s 40 s + lunge 12 at 4 s
   * 48 s = 2:40.
   */
  BY_COUNT("circuit by count", 0, Param.ROUNDS, Param.REST),
  /**
   * Stages in one set: 4 x (2+2) + 4 x (3+1) + 4 x (1+3) + 8 x (1+1) + 8 pulses + 16 half x 2 +
   * hold 4 = 108 counts, 1:48 at 60 beats a minute, 1:05 at 100.
   */
  STAGED("staged set", 0, Param.ROUNDS, Param.REST),
  /** 1, 2, 3 … of a pair until time: 60 s of pairs at 4 s = 15 pairs. Raises the effort by 1. */
  GROWING("growing count", 1, Param.WORK, Param.PAIR, Param.REST, Param.ROUNDS),
  /** A pattern of sides repeated: 8 x (left, right, both) x 4 s = 1:36, 16 pulls an arm. */
  PHRASE("phrase", 0, Param.REPEATS, Param.REST);

  public final String words;

  /**
   * How much harder than the usual dose the format makes a movement, on the effort scale. House
   * rule: bursts and as-many-as-possible raise it by 1.
   */
  public final int effortRaise;

  public final List<Param> params;

  FormatKind(String words, int effortRaise, Param... params) {
    this.words = words;
    this.effortRaise = effortRaise;
    this.params = List.of(params);
  }

  /** The name in documents: "strength-pulse". */
  public String id() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** A block of this kind cannot hold a slot without a partner. */
  public boolean needsPairs() {
    return pairs() && this != BURSTS;
  }

  /** Slots belong together two by two. */
  public boolean pairs() {
    return this == PAIRED || this == STRENGTH_PULSE || this == GROWING || this == BURSTS;
  }

  /** Counted in repetitions, so that the time follows from the tempo. */
  public boolean counted() {
    return this == SETS || this == GATHER || this == BY_COUNT || this == PHRASE;
  }

  /** A slot may have a number of repetitions of its own. */
  public boolean ownReps() {
    return this == SETS || this == BY_COUNT || this == ROUNDS_POSSIBLE || this == THROUGH_DAY;
  }

  /**
   * The count, or the time of a hold, is the dose: under a work-for-rest cap it stays and the rest
   * grows. Everywhere else the clock is shared and the client works the first part of it.
   */
  public boolean countKept() {
    return counted() || this == STAGED || this == HOLDS || this == ROUNDS_POSSIBLE;
  }

  /** The time is an estimate. */
  public boolean estimated() {
    return this == GATHER || this == ROUNDS_POSSIBLE;
  }
}
