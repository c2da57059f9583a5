package riposo.server.platform.internal;

import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import riposo.server.platform.Studios;

/** Makes the first studio and account of an empty installation, once. */
@Component
@ConditionalOnProperty("riposo.first.email")
class FirstAccount implements ApplicationRunner {
  private final Studios studios;
  private final String email;
  private final String password;
  private final String zone;

  FirstAccount(
      Studios studios,
      @Value("${riposo.first.email}") String email,
      @Value("${riposo.first.password}") String password,
      @Value("${riposo.first.zone:UTC}") String zone) {
    this.studios = studios;
    this.email = email;
    this.password = password;
    this.zone = zone;
  }

  @Override
  public void run(ApplicationArguments args) {
    if (!studios.hasAccount(email)) {
      UUID studio = studios.create("My studio", zone, "112");
      studios.addAccount(studio, email, "Owner", password);
    }
  }
}
