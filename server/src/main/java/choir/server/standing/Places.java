package choir.server.standing;

import choir.fleet.Node;
import choir.server.reach.Keeper;
import choir.server.reach.Reach;
import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Keeps whoever has roles in groups alone from what stands elsewhere. What an address names in its path or after it, a camera, a
 * recorder or a node, is looked at here before anybody else does; what a body names, by those who read it.
 */
@Component
class Places implements Keeper, HandlerInterceptor, WebMvcConfigurer {
    private static final String CAMERAS = "/api/v1/cameras/";
    private static final String RECORDERS = "/api/v1/recorders/";
    private final Standings standings;

    Places(Standings standings) {
        this.standings = standings;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (Reach.current().isEverywhere()) {
            return true;
        }
        // Not the address as it was written, which may spell a letter otherwise.
        var pattern = String.valueOf(request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE));
        var named = named(request);
        if (pattern.startsWith(CAMERAS) && named.containsKey("channel")) {
            see(Node.Camera.ofSegments(String.valueOf(named.get("recorder")), String.valueOf(named.get("channel"))));
        } else if (pattern.startsWith(RECORDERS) && named.containsKey("name")) {
            var name = String.valueOf(named.get("name"));
            // What stands under it tells of all its cameras.
            boolean isAll = pattern.indexOf('/', RECORDERS.length()) >= 0;
            if (HttpMethod.GET.matches(request.getMethod()) && !isAll) {
                see(name);
            } else {
                hold(name);
            }
        }
        var camera = request.getParameter("camera");
        if (camera != null) {
            see(Node.Camera.named(camera));
        }
        var node = request.getParameter("node");
        if (node != null && !node.isEmpty()) {
            if (HttpMethod.GET.matches(request.getMethod())) {
                see(Node.parse(node));
            } else {
                hold(Node.parse(node));
            }
        }
        return true;
    }

    @SuppressWarnings("unchecked")
    private static Map<String, @Nullable Object> named(HttpServletRequest request) {
        return request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables
                ? (Map<String, @Nullable Object>) variables
                : Map.of();
    }

    @Override
    public boolean sees(Node.Camera camera) {
        return standings.sees(camera);
    }

    @Override
    public boolean sees(String recorder) {
        return standings.sees(recorder, false);
    }

    @Override
    public void see(Node.Camera camera) {
        if (!standings.sees(camera)) {
            throw new Problem(Problem.Kind.NOT_FOUND, "you see no camera \"" + camera.text() + "\"");
        }
    }

    @Override
    public void see(Node node) {
        switch (node) {
            case Node.Camera camera -> see(camera);
            case Node.Group group -> {
                if (!Reach.current().touches(group)) {
                    throw new Problem(Problem.Kind.NOT_FOUND, "you see no group " + group.text());
                }
            }
        }
    }

    @Override
    public void see(String recorder) {
        if (!standings.sees(recorder, false)) {
            throw new Problem(Problem.Kind.NOT_FOUND, "you see no recorder \"" + recorder + "\"");
        }
    }

    @Override
    public void hold(Node node) {
        switch (node) {
            case Node.Camera camera -> see(camera);
            case Node.Group group -> {
                see(node);
                if (!Reach.current().contains(group)) {
                    throw new Problem(
                            Problem.Kind.NOT_ALLOWED,
                            group.text() + " is more than " + Reach.current() + ", where what you may do here counts");
                }
            }
        }
    }

    @Override
    public void hold(String recorder) {
        see(recorder);
        if (!standings.sees(recorder, true)) {
            throw new Problem(
                    Problem.Kind.NOT_ALLOWED,
                    recorder + " has cameras outside " + Reach.current() + ", where what you may do here counts");
        }
    }
}
