package riposo.core.adapt;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Build;
import riposo.core.dose.Loads;
import riposo.core.kit.Band;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Variant;
import riposo.core.plan.BandAsk;

/**
 * Which band a client takes in a slot and where it is gripped, so that the pull is the wanted one
 * or the nearest under it, and never over a cap. Where no grip under both feet is as light as that,
 * the one under one foot is offered.
 *
 * @param band the owner's name for it; null where there is none to take
 * @param hold how it is fixed
 * @param grip where it is gripped; null where there is none
 * @param asked whether it is fixed as the plan asks
 * @param statureCm what the reach was reckoned for, cm
 * @param recorded whether that is the client's own stature; else it is a tall person's, so that
 *     nobody is pulled harder
 * @param none why there is no grip; null where there is one
 * @param beside the weight in grams it is pulled with; null where the band is all there is
 */
public record BandGrip(
    @Nullable String band,
    Band.Hold hold,
    Band.@Nullable Grip grip,
    boolean asked,
    int statureCm,
    boolean recorded,
    @Nullable None none,
    @Nullable Integer beside) {
  /** A band alone. */
  BandGrip(
      @Nullable String band,
      Band.Hold hold,
      Band.@Nullable Grip grip,
      boolean asked,
      int statureCm,
      boolean recorded,
      @Nullable None none) {
    this(band, hold, grip, asked, statureCm, recorded, none, null);
  }

  /** Why there is no grip. */
  public enum None {
    /** No band here has been measured. */
    UNMEASURED,
    /** Every band here pulls harder than wanted or permitted, even at its whole length. */
    TOO_STRONG
  }

  /** Taller than nearly everybody, cm: the reach of somebody whose stature is not known. */
  private static final int TALL = 190;

  /** The least pull of a band beside a weight that is worth its trouble, in grams. */
  private static final int LEAST = 100;

  /**
   * The most that a band beside a weight may pull at the end of the movement, in grams. It pulls
   * nothing at the start, so over the whole way at most half of that: as much as a step in weight.
   * House rule.
   *
   * @param percent up that are a step at most
   */
  public static int pull(int grams, int percent) {
    return grams * percent * 2 / 100;
  }

  /**
   * A band pulled with a weight: its middle under one foot where both hands pull at once, else one
   * end of it. Weight and band together stay under every cap of the hand. Null where no band may go
   * with what is done; without a grip where none here pulls as little.
   *
   * @param grams held in each hand that holds one
   * @param pull wanted at the end of the movement, in grams, or less
   */
  public static @Nullable BandGrip beside(
      Variant form,
      Side side,
      @Nullable Carry carry,
      int grams,
      int pull,
      Situation situation,
      List<Band> bands,
      Build build) {
    Integer at = form.movement().bandReach();
    boolean taken = carry == Carry.EACH_HAND || carry == Carry.ONE_HAND;
    if (at == null || grams == 0 || !taken || !form.loadable() || form.emptyHand() != null) {
      return null;
    }
    Integer own = build.statureCm();
    int stature = own == null ? TALL : own;
    int reach = (int) Math.ceil(at * (double) stature / BandAsk.STATURE - 1e-9);
    Band.Hold hold = form.handsLoaded() == 2 ? Band.Hold.ONE_FOOT : Band.Hold.WHOLE;
    Caps caps = situation.caps();
    boolean open =
        situation.kit().contains(Kit.BAND) && caps.cap(Axis.act(Act.BAND_LATEX), Side.BOTH) > 0;
    int cap = open ? capped(form, side, carry, caps) - grams : 0;
    return bands.stream()
        .map(b -> found(b, hold, b.grip(hold, 0, reach, pull, cap)))
        .filter(f -> f != null && f.grip().force().grams() >= LEAST)
        .max(
            Comparator.comparingInt((Found f) -> f.grip().force().grams())
                .thenComparing(f -> f.band().name(), Comparator.reverseOrder()))
        .map(
            f ->
                new BandGrip(
                    f.band().name(), hold, f.grip(), true, stature, own != null, null, grams))
        .orElseGet(
            () ->
                new BandGrip(
                    null,
                    hold,
                    null,
                    true,
                    stature,
                    own != null,
                    bands.isEmpty() ? None.UNMEASURED : None.TOO_STRONG,
                    grams));
  }

  private static int capped(Variant v, Side side, @Nullable Carry carry, Caps caps) {
    return side == Side.BOTH
        ? Math.min(
            Loads.capGrams(v, Side.LEFT, carry, caps), Loads.capGrams(v, Side.RIGHT, carry, caps))
        : Loads.capGrams(v, side, carry, caps);
  }

  private record Found(Band band, Band.Hold hold, Band.Grip grip) {}

  /**
   * The grip for what is done in a slot; null where no band is asked for, or none is used.
   *
   * @param caps of the day, the format's own effort included
   */
  static @Nullable BandGrip of(
      @Nullable BandAsk ask, List<Performed> parts, ClientDay day, Caps caps, Adapter adapter) {
    if (ask == null) {
      return null;
    }
    List<Performed> banded =
        parts.stream()
            .filter(p -> !p.isRest())
            .filter(p -> adapter.variant(p).movement().loadKind() == LoadKind.BAND)
            .filter(p -> adapter.variant(p).loadable())
            .toList();
    if (banded.isEmpty()) {
      return null;
    }
    Integer own = day.build().statureCm();
    int stature = own == null ? TALL : own;
    // up: a longer reach pulls harder, and nothing is lightened by rounding
    int reach = (int) Math.ceil(ask.reachCm() * (double) stature / BandAsk.STATURE - 1e-9);
    List<Band> bands = day.kit().bands();
    if (bands.isEmpty()) {
      return new BandGrip(null, ask.hold(), null, true, stature, own != null, None.UNMEASURED);
    }
    int cap =
        banded.stream().mapToInt(p -> cap(adapter.variant(p), p.side(), caps)).min().orElse(0);
    Stream<Band.Hold> holds =
        ask.hold() == Band.Hold.TWO_FEET
            ? Stream.of(Band.Hold.TWO_FEET, Band.Hold.ONE_FOOT)
            : Stream.of(ask.hold());
    return holds
        .map(h -> nearest(bands, h, ask, reach, cap))
        .filter(f -> f != null)
        .findFirst()
        .map(
            f ->
                new BandGrip(
                    f.band().name(),
                    f.hold(),
                    f.grip(),
                    f.hold() == ask.hold(),
                    stature,
                    own != null,
                    null))
        .orElseGet(
            () ->
                new BandGrip(null, ask.hold(), null, true, stature, own != null, None.TOO_STRONG));
  }

  /** The band that pulls nearest under what is wanted, held so; null where none does. */
  private static @Nullable Found nearest(
      List<Band> bands, Band.Hold hold, BandAsk ask, int reach, int cap) {
    int stance = ask.stanceCm() == null ? 0 : ask.stanceCm();
    return bands.stream()
        .filter(b -> reaches(b, hold, stance))
        .map(b -> found(b, hold, b.grip(hold, stance, reach, ask.grams(), cap)))
        .filter(f -> f != null && f.grip().force().grams() > 0)
        .max(
            Comparator.comparingInt((Found f) -> f.grip().force().grams())
                .thenComparing(f -> f.band().name(), Comparator.reverseOrder()))
        .orElse(null);
  }

  private static @Nullable Found found(Band b, Band.Hold hold, Band.@Nullable Grip grip) {
    return grip == null ? null : new Found(b, hold, grip);
  }

  /** Whether something of the band is left to hold. */
  private static boolean reaches(Band b, Band.Hold hold, int stance) {
    return hold != Band.Hold.TWO_FEET || (b.freeLengthCm() - stance) / 2 >= 5;
  }

  private static int cap(Variant v, Side side, Caps caps) {
    return side == Side.BOTH
        ? Math.min(Loads.capGrams(v, Side.LEFT, caps), Loads.capGrams(v, Side.RIGHT, caps))
        : Loads.capGrams(v, side, caps);
  }
}
