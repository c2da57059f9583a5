package riposo.server.movement;

import java.util.List;
import java.util.Locale;
import org.springframework.web.util.HtmlUtils;
import riposo.core.figure.Drawing;
import riposo.core.figure.Drawing.Disc;
import riposo.core.figure.Drawing.Line;
import riposo.core.figure.Drawing.Role;
import riposo.core.figure.Figures.Sketch;

/** A sketch as an SVG document: first position on the left, last on the right. */
public final class FigureSvg {
  /** Which positions are shown. */
  public enum Phase {
    BOTH,
    START,
    END
  }

  /** What it is drawn on. */
  public enum Ground {
    PAPER,
    NIGHT
  }

  private FigureSvg() {}

  /**
   * Writes the document at its own size, a unit a pixel.
   *
   * @param title what it shows, for those who cannot see it
   */
  public static String write(Sketch sketch, Phase phase, Ground ground, String title) {
    return write(sketch, phase, ground, title, Drawing.HEIGHT);
  }

  /** The same, so many pixels high. */
  public static String write(Sketch sketch, Phase phase, Ground ground, String title, int height) {
    int frames = phase == Phase.BOTH ? 2 : 1;
    StringBuilder s = new StringBuilder();
    s.append("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"")
        .append(Drawing.LEFT + " " + Drawing.TOP + " ")
        .append(Drawing.WIDTH * frames + " " + Drawing.HEIGHT)
        .append("\" width=\"" + Drawing.WIDTH * frames * height / Drawing.HEIGHT)
        .append("\" height=\"" + height)
        .append("\" role=\"img\" fill=\"none\" stroke-linecap=\"round\" stroke-linejoin=\"round\">")
        .append("<title>" + HtmlUtils.htmlEscape(title, "UTF-8") + "</title>");
    if (phase != Phase.END) {
      frame(s, sketch.start(), 0, ground);
    }
    if (phase != Phase.START) {
      frame(s, sketch.end(), phase == Phase.BOTH ? Drawing.WIDTH : 0, ground);
    }
    return s.append("</svg>").toString();
  }

  private static void frame(StringBuilder s, Drawing d, int x, Ground ground) {
    s.append("<g transform=\"translate(" + x + " 0)\">");
    for (Line l : d.lines()) {
      s.append("<path d=\"").append(path(l.points())).append('"').append(style(l.role(), ground));
      s.append("/>");
    }
    for (Disc c : d.discs()) {
      s.append(
          String.format(
              Locale.ROOT,
              "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"%.1f\"%s/>",
              c.x(),
              c.y(),
              c.radius(),
              style(c.role(), ground)));
    }
    s.append("</g>");
  }

  private static String path(List<Double> xy) {
    StringBuilder p = new StringBuilder();
    for (int i = 0; i < xy.size(); i += 2) {
      p.append(i == 0 ? "M" : "L").append(xy.get(i)).append(' ').append(xy.get(i + 1));
    }
    return p.toString();
  }

  /** Attributes, not a style sheet: the same document serves the screen and the printed card. */
  private static String style(Role role, Ground ground) {
    boolean night = ground == Ground.NIGHT;
    return switch (role) {
      case GROUND -> stroke(night ? "#4A5C66" : "#CFC4B2", 3, "");
      case PROP -> stroke(night ? "#7D919B" : "#9A8F7E", 5, "");
      case FAR -> stroke(night ? "#8FA3AD" : "#8B979D", 6, "");
      case BODY -> stroke(night ? "#F7F3EC" : "#1F2D36", 8, "");
      case CLOSED -> stroke(night ? "#C9A6C7" : "#6A4A68", 3, " stroke-dasharray=\"2 7\"");
      case WEIGHT -> stroke(night ? "#F0C98A" : "#B8700F", 10, " stroke-linecap=\"butt\"");
    };
  }

  private static String stroke(String colour, int width, String more) {
    return " stroke=\"" + colour + "\" stroke-width=\"" + width + "\"" + more;
  }
}
