package org.opensatchel.web.http;

import java.lang.reflect.Parameter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * A route with the names of what it takes.
 *
 * @param texts those that take any text; a number, a yes or no or one of a few words is refused before anything of ours reads it
 * @param takes the types of its body, empty for a form
 */
record Route(RequestMethod method, String pattern, List<String> path, List<String> fields, Set<String> texts, Set<String> takes) {

    /** All there are. */
    static List<Route> all(RequestMappingHandlerMapping routes) {
        List<Route> out = new ArrayList<>();
        for (Map.Entry<RequestMappingInfo, HandlerMethod> entry : routes.getHandlerMethods().entrySet()) {
            List<String> path = new ArrayList<>();
            List<String> fields = new ArrayList<>();
            Set<String> texts = new TreeSet<>();
            Set<String> takes = entry.getKey().getConsumesCondition().getConsumableMediaTypes().stream().map(Object::toString)
                    .collect(Collectors.toCollection(TreeSet::new));
            for (Parameter parameter : entry.getValue().getMethod().getParameters()) {
                if (parameter.isAnnotationPresent(PathVariable.class)) {
                    path.add(parameter.getName());
                    if (!isBound(parameter.getType())) {
                        texts.add(parameter.getName());
                    }
                } else if (parameter.isAnnotationPresent(RequestParam.class)) {
                    String name = parameter.getAnnotation(RequestParam.class).name();
                    fields.add(name.isEmpty() ? parameter.getName() : name);
                    if (!isBound(parameter.getType())) {
                        texts.add(fields.get(fields.size() - 1));
                    }
                } else if (parameter.isAnnotationPresent(RequestBody.class)) {
                    takes.add("application/json");
                } else if (parameter.isAnnotationPresent(ModelAttribute.class)) {
                    for (var component : parameter.getType().getRecordComponents()) {
                        fields.add(component.getName());
                        if (!isBound(component.getType())) {
                            texts.add(component.getName());
                        }
                    }
                }
            }
            Set<RequestMethod> methods = entry.getKey().getMethodsCondition().getMethods();
            for (String pattern : entry.getKey().getPatternValues()) {
                for (RequestMethod method : methods.isEmpty() ? Set.of(RequestMethod.GET) : methods) {
                    out.add(new Route(method, pattern, path, fields, texts, takes));
                }
            }
        }
        return out;
    }

    private static boolean isBound(Class<?> type) {
        return type.isPrimitive() || Number.class.isAssignableFrom(type) || type == Boolean.class || type.isEnum();
    }
}
