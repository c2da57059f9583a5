package riposo.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The server. */
@SpringBootApplication
public class RiposoApplication {
  public static void main(String[] args) {
    SpringApplication.run(RiposoApplication.class, args);
  }
}
