package kite.server.description;

import io.swagger.v3.core.jackson.ModelResolver;
import io.swagger.v3.core.jackson.TypeNameResolver;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import java.lang.reflect.Method;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import kite.server.CoreJson;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.providers.ObjectMapperProvider;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.info.BuildProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.method.HandlerMethod;
import tools.jackson.databind.JsonNode;

/** Says in the description what the controllers do not: how one signs in, and names for clients. */
@Configuration
class Described {
  private static final String TOKEN = "token", ENDING = "Api";

  static {
    // any JSON there is
    SpringDocUtils.getConfig()
        .replaceWithClass(JsonNode.class, Object.class)
        .replaceWithClass(CoreJson.class, Object.class);
  }

  @Bean
  OpenAPI openApi(BuildProperties build) {
    return new OpenAPI()
        .info(
            new Info()
                .title("Jolly Kite")
                .version(build.getVersion())
                .description(
                    "Scripts send a token in the header Authorization, as “Bearer kite_…”; who has"
                        + " an account makes one under My account. Where something is refused the"
                        + " answer is {refusal: {code, entity, field, text}}."))
        .components(
            new Components()
                .addSecuritySchemes(
                    TOKEN, new SecurityScheme().type(SecurityScheme.Type.HTTP).scheme("bearer")))
        .addSecurityItem(new SecurityRequirement().addList(TOKEN));
  }

  /** Each address by the name of what it is about and what is done, as {@code renderAsk}. */
  @Bean
  OperationCustomizer operationNames() {
    return (operation, method) -> {
      String about = about(method.getBeanType());
      operation.setOperationId(lower(about) + upper(name(method)));
      operation.setTags(List.of(about));
      return operation;
    };
  }

  /** Records by the class they stand in, too: many are called alike. */
  @Bean
  ModelResolver recordNames(ObjectMapperProvider mappers) {
    TypeNameResolver names =
        new TypeNameResolver() {
          @Override
          protected String nameForClass(Class<?> type, Set<Options> options) {
            Class<?> outer = type.getEnclosingClass();
            String own = super.nameForClass(type, options);
            return outer == null ? own : about(outer) + own;
          }
        };
    return new ModelResolver(mappers.jsonMapper(), names).openapi31(true);
  }

  private static String about(Class<?> controller) {
    String name = controller.getSimpleName();
    return name.endsWith(ENDING) ? name.substring(0, name.length() - ENDING.length()) : name;
  }

  /** The method's name; of several that are called alike, with its place among them. */
  private static String name(HandlerMethod method) {
    Method m = method.getMethod();
    List<Method> alike =
        Arrays.stream(m.getDeclaringClass().getDeclaredMethods())
            .filter(x -> x.getName().equals(m.getName()) && !x.isSynthetic())
            .sorted(Comparator.comparing(Method::toString))
            .toList();
    return m.getName() + (alike.size() > 1 ? alike.indexOf(m) + 1 : "");
  }

  private static String lower(String name) {
    return Character.toLowerCase(name.charAt(0)) + name.substring(1);
  }

  private static String upper(String name) {
    return Character.toUpperCase(name.charAt(0)) + name.substring(1);
  }
}
