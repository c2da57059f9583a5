package riposo.server.run.internal;

import jakarta.persistence.EntityManager;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.Segment;
import riposo.core.plan.Timeline;
import riposo.core.run.Doing;
import riposo.core.run.RunSheet;
import riposo.core.run.RunState;
import riposo.core.wording.Wording;
import riposo.server.movement.FigureSvg;
import riposo.server.movement.Movements;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/**
 * The second screen of a run: what is read from two metres and nothing that is nobody's business.
 */
@Service
@Transactional
class ScreenService {
  /**
   * What the clients see: no name, no condition, no limit, no log.
   *
   * @param now server time, ms since 1970 UTC
   * @param positionMs of the clock at that moment
   * @param work what is done in each segment of work; of a group, what each lane shows
   * @param lanes names of a group's lanes; empty where one person trains alone
   */
  record ScreenView(
      long now,
      RunState.Status status,
      long positionMs,
      long holdMs,
      Timeline timeline,
      List<ScreenPart> parts,
      List<ScreenWork> work,
      List<String> lanes) {}

  /** A movement as it is done. */
  record ScreenPart(
      @Nullable String movementId,
      String name,
      List<String> how,
      List<Modifier> modifiers,
      int range,
      List<String> cues) {}

  /**
   * What is done in a segment.
   *
   * @param segment its index
   * @param part index of what is done
   * @param left it is left today: rest
   * @param reps of the form done, where that is not the one asked for; null elsewhere
   * @param lane of the group that shows it; null where one person trains alone
   */
  record ScreenWork(
      int segment, int part, boolean left, @Nullable Integer reps, @Nullable Integer lane) {}

  /** Without what is read for another: no 0 and O, no 1, I and L. */
  private static final String LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

  static final int LENGTH = 6;
  private static final Duration OPEN = Duration.ofHours(12);

  private final SecureRandom random = new SecureRandom();
  private final EntityManager em;
  private final RunStore store;
  private final RunLog log;
  private final Movements movements;
  private final Studios studios;
  private final Guesses guesses;

  ScreenService(
      EntityManager em,
      RunStore store,
      RunLog log,
      Movements movements,
      Studios studios,
      Clock clock) {
    this.em = em;
    this.store = store;
    this.log = log;
    this.movements = movements;
    this.studios = studios;
    this.guesses = new Guesses(clock);
  }

  /** A code for the second screen of a run, in place of the one before; open for 12 hours. */
  String open(UUID runId) {
    RunRow run = store.require(runId, "run");
    if (run.status.ended()) {
      throw Problems.refused("run-ended", "This run has ended: there is nothing to show.");
    }
    StringBuilder code = new StringBuilder();
    for (int i = 0; i < LENGTH; i++) {
      code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
    }
    em.createQuery("delete from RunScreen s where s.runId = :run or s.opensUntil < :now")
        .setParameter("run", runId)
        .setParameter("now", studios.now())
        .executeUpdate();
    ScreenRow row = new ScreenRow();
    row.hash = hash(code.toString());
    row.studioId = StudioContext.current();
    row.runId = runId;
    row.opensUntil = studios.now().plus(OPEN);
    em.persist(row);
    return code.toString();
  }

  /**
   * The screen a code opens; a 404 problem that tells nothing when there is none, a 429 problem
   * after too many of those from one place.
   */
  @Transactional(readOnly = true)
  ScreenRow find(String code, String from) {
    String hash = hash(code.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", ""));
    if (!guesses.open(from, hash)) {
      throw Problems.tooMany("Too many wrong codes: wait a quarter of an hour, then try again.");
    }
    Instant now = studios.now();
    ScreenRow row = em.find(ScreenRow.class, hash);
    if (row == null || !row.opensUntil.isAfter(now)) {
      guesses.wrongFrom(from);
      throw Problems.absent(
          "No session is shown under this code. Ask for the code on the screen of who leads.");
    }
    guesses.rightFrom(from, hash);
    return row;
  }

  /** What a screen shows now. */
  @Transactional(readOnly = true)
  ScreenView view(UUID runId) {
    RunRow run = store.require(runId, "run");
    RunSheet sheet = run.sheet();
    RunState state = log.state(sheet, log.events(runId));
    RunSheet.Group group = sheet.group();
    RunSheet.Person person = sheet.people().get(0);
    List<ScreenPart> parts = new ArrayList<>();
    List<ScreenWork> work = new ArrayList<>();
    List<Segment> segments = sheet.timeline().segments();
    for (int i = 0; i < segments.size(); i++) {
      Segment g = segments.get(i);
      RunSheet.Slot slot = person.slot(g.slotKey()).orElse(null);
      if (g.kind() != Segment.Kind.WORK || slot == null) {
        continue;
      }
      if (group != null) {
        // what everybody is shown; who does it otherwise is their own business
        for (int lane = 0; lane < group.lanes().size(); lane++) {
          RunSheet.Shown shown = group.lanes().get(lane).shown().get(g.slotKey());
          if (shown != null) {
            work.add(new ScreenWork(i, index(parts, part(shown.form())), false, null, lane));
          }
        }
        continue;
      }
      Doing doing = state.changes().of(person.id(), g.slotKey(), g.round(), g.side());
      RunSheet.Part done = slot.part(doing, g.side());
      Integer reps = doing.option() == null ? null : done.dose().reps();
      work.add(new ScreenWork(i, index(parts, part(done.form())), doing.left(), reps, null));
    }
    return new ScreenView(
        studios.now().toEpochMilli(),
        state.status() == RunState.Status.STOPPED ? RunState.Status.FINISHED : state.status(),
        state.positionMs(),
        state.holdMs(),
        sheet.timeline(),
        parts,
        work,
        group == null ? List.of() : group.lanes().stream().map(RunSheet.Lane::name).toList());
  }

  private static int index(List<ScreenPart> parts, ScreenPart part) {
    if (!parts.contains(part)) {
      parts.add(part);
    }
    return parts.indexOf(part);
  }

  private ScreenPart part(RunSheet.Form f) {
    Movement m =
        f.movementId() == null ? null : movements.catalogue().find(f.movementId()).orElse(null);
    return new ScreenPart(
        f.movementId(),
        Wording.name(f),
        Wording.how(f),
        f.modifiers(),
        f.range(),
        m == null ? List.of() : m.cues());
  }

  /** The drawing of what is done somewhere in the run; a 404 problem for any other movement. */
  @Transactional(readOnly = true)
  String figure(
      UUID runId, String movementId, int range, Set<Modifier> modifiers, FigureSvg.Phase phase) {
    boolean own =
        view(runId).parts().stream()
            .anyMatch(
                p ->
                    movementId.equals(p.movementId())
                        && p.range() == range
                        && Set.copyOf(p.modifiers()).equals(modifiers));
    Movement m = movements.catalogue().find(movementId).orElse(null);
    if (!own || m == null) {
      throw Problems.absent("This is not done in the session.");
    }
    return FigureSvg.write(
        movements.figures().draw(Variant.of(m, modifiers, range)),
        phase,
        FigureSvg.Ground.NIGHT,
        m.name());
  }

  private static String hash(String code) {
    try {
      return HexFormat.of()
          .formatHex(
              MessageDigest.getInstance("SHA-256").digest(code.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
