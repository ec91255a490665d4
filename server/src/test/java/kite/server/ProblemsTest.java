package kite.server;

import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

class ProblemsTest {
  @RestController
  static class Some {
    @GetMapping("/look")
    String look(@RequestParam long after) {
      if (after < 0) throw new IllegalStateException("inside");
      if (after == 7)
        throw new DataIntegrityViolationException("twice", new SQLException("twice", "23505"));
      if (after == 8)
        throw new DataIntegrityViolationException("too long", new SQLException("long", "22001"));
      return "" + after;
    }

    record Body(int number) {}

    @PostMapping("/take")
    int take(@RequestBody Body b) {
      return b.number();
    }
  }

  private final MockMvc server =
      MockMvcBuilders.standaloneSetup(new Some()).setControllerAdvice(new Problems()).build();

  @Test
  void whatIsAskedWronglyIsAnsweredWithASentence() throws Exception {
    server
        .perform(post("/look"))
        .andExpect(status().isMethodNotAllowed())
        .andExpect(content().string(containsString("does not take POST")));
    server.perform(get("/look")).andExpect(status().isBadRequest());
    server.perform(get("/look").param("after", "x")).andExpect(status().isBadRequest());
    server
        .perform(post("/take").contentType(MediaType.TEXT_PLAIN).content("1"))
        .andExpect(status().isUnsupportedMediaType());
    server
        .perform(post("/take").contentType(MediaType.APPLICATION_JSON).content("{"))
        .andExpect(status().isBadRequest());
    server
        .perform(get("/look").param("after", "7"))
        .andExpect(status().isConflict())
        .andExpect(content().string(containsString("was first")));
    server.perform(get("/look").param("after", "8")).andExpect(status().isInternalServerError());
    server
        .perform(get("/look").param("after", "-1"))
        .andExpect(status().isInternalServerError())
        .andExpect(content().string(containsString("its log says why under")));
  }
}
