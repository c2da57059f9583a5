package riposo.server.platform;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import riposo.core.typed.PlainText;

/** Printed pages: a template of print/ and its facts to a PDF, fonts inside. */
@Component
public class Pdf {
  /** Sizes of paper. */
  public enum Paper {
    A4("A4"),
    LETTER("letter");

    private final String css;

    Paper(String css) {
      this.css = css;
    }
  }

  /** A printed document stays within so many pages. */
  private static final int MOST_PAGES = 2;

  private static final double[] SMALL_SIZES = {13, 12, 11, 10, 9};

  private final TemplateEngine engine = new TemplateEngine();

  Pdf() {
    ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver();
    resolver.setPrefix("print/");
    resolver.setSuffix(".html");
    resolver.setTemplateMode(TemplateMode.XML);
    resolver.setCharacterEncoding("UTF-8");
    engine.setTemplateResolver(resolver);
  }

  /**
   * Renders a template. What is large stays 16 pt; what is small shrinks step by step until the
   * document has two pages at most.
   *
   * @param foot the caution at the foot of every page
   */
  public byte[] render(
      String template, Map<String, Object> facts, String foot, Paper paper, boolean landscape) {
    byte[] pdf = new byte[0];
    for (double small : SMALL_SIZES) {
      Context context = new Context(Locale.ENGLISH, facts);
      context.setVariable(
          "style", styled(paper.css + (landscape ? " landscape" : " portrait"), small, foot));
      pdf = pdf(engine.process(template, context));
      if (pages(pdf) <= MOST_PAGES) {
        break;
      }
    }
    return pdf;
  }

  /**
   * Prints a page nobody sees: fonts and all that prints are loaded before somebody waits for it.
   */
  public void prepare() {
    pdf(
        "<html><head><style>"
            + styled("A4 portrait", SMALL_SIZES[0], "")
            + "</style></head><body><p>a <b>b</b></p>"
            + "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"9\" height=\"9\"><path d=\"M0 0L9 9\"/></svg>"
            + "</body></html>");
  }

  private static String styled(String page, double small, String foot) {
    return style()
        .replace("%page%", page)
        .replace("%small%", String.valueOf(small))
        .replace("%foot%", foot.replace("\\", "").replace("\"", "'"));
  }

  private static String style() {
    try (InputStream in = open("/print/style.css")) {
      return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Signs the printed face lacks, in words. */
  public static String plain(String s) {
    return s.replace("≤", "at most").replace("≥", "at least").replace("→", "to");
  }

  private static byte[] pdf(String html) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PdfRendererBuilder b = new PdfRendererBuilder();
    for (String face : new String[] {"latin", "latin-ext"}) {
      font(b, face, "regular", 400);
      font(b, face, "bold", 700);
    }
    b.useSVGDrawer(new BatikSVGDrawer());
    b.withHtmlContent(PlainText.printable(html), null);
    b.toStream(out);
    try {
      b.run();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static void font(PdfRendererBuilder b, String face, String style, int weight) {
    String path = "/print/fonts/atkinson-next-" + face + "-" + style + ".ttf";
    b.useFont(() -> open(path), "atkinson " + face, weight, FontStyle.NORMAL, true);
  }

  private static InputStream open(String path) {
    InputStream in = Pdf.class.getResourceAsStream(path);
    if (in == null) {
      throw new IllegalStateException("missing resource " + path);
    }
    return in;
  }

  private static int pages(byte[] pdf) {
    try (PDDocument d = Loader.loadPDF(pdf)) {
      return d.getNumberOfPages();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * A document printed.
   *
   * @param name words that its file name is made of
   */
  public record Printed(byte[] pdf, String name) {
    /** It as an answer, opened in place. */
    public ResponseEntity<byte[]> answer() {
      String file = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ".pdf";
      return ResponseEntity.ok()
          .contentType(MediaType.APPLICATION_PDF)
          .header(
              HttpHeaders.CONTENT_DISPOSITION,
              ContentDisposition.inline().filename(file).build().toString())
          .body(pdf);
    }
  }
}
