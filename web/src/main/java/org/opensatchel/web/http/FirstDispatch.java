package org.opensatchel.web.http;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;

/** A dispatch after a wait that is the first one for whatever looks at it, until that begins something of its own. */
final class FirstDispatch extends HttpServletRequestWrapper {

    private boolean later;

    FirstDispatch(HttpServletRequest request) {
        super(request);
    }

    @Override
    public DispatcherType getDispatcherType() {
        return later ? super.getDispatcherType() : DispatcherType.REQUEST;
    }

    @Override
    public AsyncContext startAsync() {
        later = true;
        return super.startAsync();
    }

    @Override
    public AsyncContext startAsync(ServletRequest request, ServletResponse response) {
        later = true;
        return super.startAsync(request, response);
    }
}
