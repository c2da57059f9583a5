package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import riposo.server.platform.Pdf;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/**
 * Works out what the lists show before somebody asks: after a start, and when a studio's day
 * begins. A large practice takes some seconds for it, once. Printing, too, is made ready once.
 */
@Configuration
@EnableScheduling
@ConditionalOnProperty("riposo.warm")
class Warm {
  private static final Logger LOG = LoggerFactory.getLogger(Warm.class);

  private final Studios studios;
  private final DayService days;
  private final CalendarService calendar;
  private final Pdf pdf;
  private final Map<UUID, LocalDate> done = new ConcurrentHashMap<>();
  private boolean printed;

  Warm(Studios studios, DayService days, CalendarService calendar, Pdf pdf) {
    this.pdf = pdf;
    this.studios = studios;
    this.days = days;
    this.calendar = calendar;
  }

  @Scheduled(fixedDelay = 30_000, initialDelay = 500)
  void eachDay() {
    try {
      for (UUID studio : studios.ids()) {
        StudioContext.within(studio, "nobody", () -> worked(studio));
      }
      if (!printed) {
        pdf.prepare();
        printed = true;
      }
    } catch (RuntimeException e) {
      // whoever asks first waits, as without it; tried again soon
      LOG.info("nothing worked out ahead: {}", e.getClass().getSimpleName());
    }
  }

  private boolean worked(UUID studio) {
    LocalDate today = studios.today();
    if (!today.equals(done.get(studio))) {
      days.day();
      calendar.calendar(null);
      done.put(studio, today);
    }
    return true;
  }
}
