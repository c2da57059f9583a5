package riposo.server.platform.internal;

import jakarta.servlet.http.HttpServletResponse;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import tools.jackson.databind.json.JsonMapper;

/** Sign-in, CSRF and what is open to whom. */
@Configuration
class SecurityConfig {
  @Bean
  PasswordEncoder passwordEncoder() {
    return new BCryptPasswordEncoder(11);
  }

  @Bean
  SecurityContextRepository contextRepository() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, JsonMapper json)
      throws Exception {
    return http.csrf(c -> c.spa())
        .securityContext(c -> c.securityContextRepository(contexts))
        .authorizeHttpRequests(
            a ->
                a.requestMatchers(
                        "/api/sign-in",
                        "/api/check-in/**",
                        "/api/screens/**",
                        "/api/openapi/**",
                        "/actuator/health")
                    .permitAll()
                    .requestMatchers(HttpMethod.GET, "/api/me")
                    .permitAll()
                    .requestMatchers("/api/**", "/actuator/**")
                    .authenticated()
                    .anyRequest()
                    .permitAll())
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint(
                        (req, res, x) ->
                            write(res, json, HttpStatus.UNAUTHORIZED, "sign-in", "Sign in first."))
                    .accessDeniedHandler(
                        (req, res, x) ->
                            write(
                                res,
                                json,
                                HttpStatus.FORBIDDEN,
                                "forbidden",
                                "This page is out of date; load it again and repeat.")))
        .headers(
            h ->
                h.contentSecurityPolicy(
                        c ->
                            c.policyDirectives(
                                "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'none'; form-action 'self'; base-uri 'self'"))
                    .referrerPolicy(
                        r ->
                            r.policy(
                                org.springframework.security.web.header.writers
                                    .ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER)))
        .requestCache(c -> c.disable())
        .logout(l -> l.disable())
        .build();
  }

  private static void write(
      HttpServletResponse res, JsonMapper json, HttpStatus status, String code, String sentence)
      throws java.io.IOException {
    res.setStatus(status.value());
    res.setContentType("application/problem+json");
    res.setCharacterEncoding("UTF-8");
    json.writeValue(res.getOutputStream(), ProblemAdvice.detail(status, code, sentence));
  }
}
