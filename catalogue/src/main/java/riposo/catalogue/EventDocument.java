package riposo.catalogue;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;
import riposo.core.quantity.Pulse;
import riposo.core.run.Change;
import riposo.core.run.Leaving;
import riposo.core.run.RunEvent;
import riposo.core.run.Stamp;
import riposo.core.run.StopSign;
import riposo.core.run.Symptom;

/**
 * An event of a run as it is sent and stored.
 *
 * @param device which device it happened on; left out by older ones
 * @param at device time, milliseconds since 1970 UTC
 * @param person of ENTRY, CHANGE, UNWELL, PULSE and STOP; left out by older ones, where the run has
 *     one person
 * @param segment target of GOTO
 * @param seconds rest added by EXTEND
 * @param entry of ENTRY
 * @param text the sign of STOP in words
 * @param sign id of the sign of STOP; left out by older ones
 * @param deviceAt the device's own time where {@code at} is the server's
 * @param change of CHANGE
 * @param unwell of UNWELL
 * @param pulse of PULSE
 * @param why of AWAY; left out when somebody is back
 */
public record EventDocument(
    @Nullable UUID id,
    @Nullable Long at,
    int seq,
    @Nullable Kind kind,
    @Nullable Integer segment,
    @Nullable Integer seconds,
    @Nullable EntryDocument entry,
    @Nullable String text,
    @Nullable String sign,
    @Nullable String device,
    @Nullable UUID person,
    @Nullable Long deviceAt,
    @Nullable ChangeDocument change,
    @Nullable UnwellDocument unwell,
    @Nullable PulseDocument pulse,
    @Nullable Leaving why) {
  /** A slot done otherwise; see {@link Change}. A side left out is both. */
  public record ChangeDocument(
      @Nullable String slotKey,
      int round,
      @Nullable Side side,
      Change.@Nullable To to,
      @Nullable String option,
      @Nullable Integer grams,
      boolean onward) {
    static ChangeDocument of(Change c) {
      return new ChangeDocument(
          c.slotKey(), c.round(), c.side(), c.to(), c.option(), c.grams(), c.onward());
    }

    Change toChange() {
      if (slotKey == null || to == null) {
        throw new IllegalArgumentException("a change names its slot and what it becomes");
      }
      return new Change(slotKey, round, side == null ? Side.BOTH : side, to, option, grams, onward);
    }
  }

  /** A mild symptom; see {@link Symptom}. A reading that was not taken is left out. */
  public record UnwellDocument(
      @Nullable Symptom symptom,
      Symptom.@Nullable How how,
      @Nullable Integer pulse,
      @Nullable Integer systolic,
      @Nullable Integer diastolic,
      @Nullable Integer glucose) {
    static UnwellDocument of(RunEvent.Unwell u) {
      Symptom.Reading r = u.reading();
      return new UnwellDocument(
          u.symptom(),
          u.how(),
          r.pulse() == null ? null : (Integer) r.pulse().bpm(),
          r.systolic(),
          r.diastolic(),
          r.glucose());
    }

    RunEvent.Unwell toUnwell(Stamp stamp, UUID who) {
      if (symptom == null || how == null) {
        throw new IllegalArgumentException("a symptom is named, and how it is");
      }
      return new RunEvent.Unwell(
          stamp,
          who,
          symptom,
          how,
          new Symptom.Reading(
              pulse == null ? null : new Pulse(pulse), systolic, diastolic, glucose));
    }
  }

  /** A pulse in bpm; afterWork in seconds since the work ended, left out while it goes on. */
  public record PulseDocument(
      int bpm, RunEvent.PulseRead.@Nullable From from, @Nullable Integer afterWork) {}

  /** Kinds of event. */
  public enum Kind {
    START,
    PAUSE,
    RESUME,
    GOTO,
    EXTEND,
    ENTRY,
    CHANGE,
    UNWELL,
    PULSE,
    AWAY,
    JOIN,
    STOP,
    FINISH
  }

  public static EventDocument of(RunEvent e) {
    Stamp s = e.stamp();
    Kind kind = kind(e);
    RunEvent.Stop stop = e instanceof RunEvent.Stop x ? x : null;
    RunEvent.Logged logged = e instanceof RunEvent.Logged x ? x : null;
    RunEvent.Changed changed = e instanceof RunEvent.Changed x ? x : null;
    RunEvent.Unwell unwell = e instanceof RunEvent.Unwell x ? x : null;
    return new EventDocument(
        s.id(),
        s.at(),
        s.seq(),
        kind,
        e instanceof RunEvent.GoTo g ? (Integer) g.segment() : null,
        e instanceof RunEvent.Extend x ? (Integer) x.seconds() : null,
        logged == null ? null : EntryDocument.of(logged.entry()),
        stop == null ? null : stop.words(),
        stop == null || !stop.named() ? null : stop.sign().name(),
        s.device(),
        person(e),
        s.deviceAt(),
        changed == null ? null : ChangeDocument.of(changed.change()),
        unwell == null ? null : UnwellDocument.of(unwell),
        e instanceof RunEvent.PulseRead r
            ? new PulseDocument(r.pulse().bpm(), r.from(), r.afterWork())
            : null,
        e instanceof RunEvent.Away a ? a.why() : null);
  }

  /** Whose it is; null for what is everybody's. */
  public static @Nullable UUID person(RunEvent e) {
    if (e instanceof RunEvent.Logged x) {
      return x.person();
    } else if (e instanceof RunEvent.Changed x) {
      return x.person();
    } else if (e instanceof RunEvent.Unwell x) {
      return x.person();
    } else if (e instanceof RunEvent.PulseRead x) {
      return x.person();
    } else if (e instanceof RunEvent.Away x) {
      return x.person();
    } else if (e instanceof RunEvent.Joined x) {
      return x.person();
    }
    return e instanceof RunEvent.Stop x ? x.person() : null;
  }

  /** The kind of an event. */
  public static Kind kind(RunEvent e) {
    if (e instanceof RunEvent.Start) {
      return Kind.START;
    } else if (e instanceof RunEvent.Pause) {
      return Kind.PAUSE;
    } else if (e instanceof RunEvent.Resume) {
      return Kind.RESUME;
    } else if (e instanceof RunEvent.GoTo) {
      return Kind.GOTO;
    } else if (e instanceof RunEvent.Extend) {
      return Kind.EXTEND;
    } else if (e instanceof RunEvent.Logged) {
      return Kind.ENTRY;
    } else if (e instanceof RunEvent.Changed) {
      return Kind.CHANGE;
    } else if (e instanceof RunEvent.Unwell) {
      return Kind.UNWELL;
    } else if (e instanceof RunEvent.PulseRead) {
      return Kind.PULSE;
    } else if (e instanceof RunEvent.Away) {
      return Kind.AWAY;
    } else if (e instanceof RunEvent.Joined) {
      return Kind.JOIN;
    } else if (e instanceof RunEvent.Stop) {
      return Kind.STOP;
    }
    return Kind.FINISH;
  }

  /**
   * The event.
   *
   * @param only the run's only person, for what names nobody; null where there are several
   * @throws IllegalArgumentException with the sentence of what cannot be right
   */
  public RunEvent toEvent(@Nullable UUID only) {
    if (id == null || kind == null || at == null) {
      throw new IllegalArgumentException("an event needs its id, kind and time");
    }
    Stamp stamp = new Stamp(id, device == null ? Stamp.OLD : device, at, seq, deviceAt);
    UUID who = person == null ? only : person;
    return switch (kind) {
      case START -> new RunEvent.Start(stamp);
      case PAUSE -> new RunEvent.Pause(stamp);
      case RESUME -> new RunEvent.Resume(stamp);
      case FINISH -> new RunEvent.Finish(stamp);
      case GOTO -> new RunEvent.GoTo(stamp, wanted(segment, "a target segment"));
      case EXTEND -> new RunEvent.Extend(stamp, wanted(seconds, "its seconds"));
      case ENTRY ->
          new RunEvent.Logged(stamp, wanted(who, "its person"), wanted(entry, "its set").toEntry());
      case CHANGE ->
          new RunEvent.Changed(
              stamp, wanted(who, "its person"), wanted(change, "its change").toChange());
      case UNWELL -> wanted(unwell, "its symptom").toUnwell(stamp, wanted(who, "its person"));
      case PULSE -> {
        PulseDocument p = wanted(pulse, "its pulse");
        yield new RunEvent.PulseRead(
            stamp,
            wanted(who, "its person"),
            new Pulse(p.bpm),
            p.from == null ? RunEvent.PulseRead.From.TYPED : p.from,
            p.afterWork);
      }
      case AWAY -> new RunEvent.Away(stamp, wanted(who, "its person"), why);
      case JOIN -> new RunEvent.Joined(stamp, wanted(who, "its person"));
      case STOP -> stop(stamp, who);
    };
  }

  private RunEvent.Stop stop(Stamp stamp, @Nullable UUID who) {
    StopSign known = StopSign.of(sign, text);
    String words =
        text != null ? text : known == StopSign.OTHER && sign != null ? sign : known.words;
    return new RunEvent.Stop(stamp, who, known, words, sign != null);
  }

  private <T> T wanted(@Nullable T value, String what) {
    if (value == null) {
      throw new IllegalArgumentException("an event of kind " + kind + " needs " + what);
    }
    return value;
  }
}
