package org.jontrel.serve.site;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.webmvc.autoconfigure.WebMvcRegistrations;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerAdapter;
import org.springframework.web.servlet.mvc.method.annotation.ServletInvocableHandlerMethod;

/**
 * Whatever is asked of a site is read in one transaction under one state of its definitions, and read again where they were
 * switched meanwhile: an answer is never made of two. What is streamed afterwards looks after itself.
 */
@Component
class ReadTogether implements WebMvcRegistrations {
    private final ObjectProvider<ServedSites> sites;

    ReadTogether(ObjectProvider<ServedSites> sites) {
        this.sites = sites;
    }

    @Override
    public RequestMappingHandlerAdapter getRequestMappingHandlerAdapter() {
        return new RequestMappingHandlerAdapter() {
            @Override
            protected ServletInvocableHandlerMethod createInvocableHandlerMethod(HandlerMethod method) {
                return new ReadingInvocation(method);
            }
        };
    }

    /** Carries what a handler throws through code that does not declare it. */
    private static final class Thrown extends RuntimeException {
        Thrown(Exception cause) {
            super(cause);
        }
    }

    private final class ReadingInvocation extends ServletInvocableHandlerMethod {
        ReadingInvocation(HandlerMethod method) {
            super(method);
        }

        @Override
        public Object invokeForRequest(NativeWebRequest request, ModelAndViewContainer container, Object... provided)
                throws Exception {
            var site = site(request.getNativeRequest(HttpServletRequest.class));
            if (site.isEmpty()) {
                return super.invokeForRequest(request, container, provided);
            }
            try {
                return sites.getObject().engine(site.get()).together(() -> {
                    try {
                        return super.invokeForRequest(request, container, provided);
                    } catch (RuntimeException e) {
                        throw e;
                    } catch (Exception e) {
                        throw new Thrown(e);
                    }
                });
            } catch (Thrown e) {
                throw (Exception) e.getCause();
            }
        }

        /** The site that a reading request names in its path, where there is such a site. */
        private Optional<String> site(HttpServletRequest request) {
            boolean reads = request != null
                    && (HttpMethod.GET.matches(request.getMethod()) || HttpMethod.HEAD.matches(request.getMethod()));
            return reads
                            && request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE)
                                    instanceof Map<?, ?> path
                    ? Optional.ofNullable((String) path.get("site"))
                            .filter(each -> sites.getObject().find(each).isPresent())
                    : Optional.empty();
        }
    }
}
