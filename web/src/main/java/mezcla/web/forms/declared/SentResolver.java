package mezcla.web.forms.declared;

import jakarta.servlet.http.HttpServletRequest;
import java.lang.reflect.ParameterizedType;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartRequest;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.util.WebUtils;

/** Binds a form that was sent to the record that declares it. */
@Configuration
class SentResolver implements HandlerMethodArgumentResolver, WebMvcConfigurer {
    /** What keeps forgeries out is no part of what somebody typed, and is not kept with it. */
    private static final String TOKEN = "_csrf";

    private final ObjectProvider<Supplier<Here>> here;

    SentResolver(ObjectProvider<Supplier<Here>> here) {
        this.here = here;
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Sent.class;
    }

    @Override
    @SuppressWarnings("unchecked")
    public Object resolveArgument(
            MethodParameter parameter,
            @Nullable ModelAndViewContainer page,
            NativeWebRequest web,
            @Nullable WebDataBinderFactory binders) {
        HttpServletRequest request = Objects.requireNonNull(web.getNativeRequest(HttpServletRequest.class));
        Map<String, String[]> values = new LinkedHashMap<>(request.getParameterMap());
        values.remove(TOKEN);
        MultipartRequest files = WebUtils.getNativeRequest(request, MultipartRequest.class);
        Class<? extends Record> form = (Class<? extends Record>)
                ((ParameterizedType) parameter.getGenericParameterType()).getActualTypeArguments()[0];
        return new Sent<>(
                form,
                new Sent.Came(values, files == null ? Map.<String, MultipartFile>of() : files.getFileMap(), (Map<
                                String, String>)
                        Objects.requireNonNullElse(
                                request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE), Map.of())),
                () -> here.getObject().get());
    }
}
