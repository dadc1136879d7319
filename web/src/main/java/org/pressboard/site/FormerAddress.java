package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.view.RedirectView;

/** Leads on from an address that a page had before. */
final class FormerAddress {

    private FormerAddress() {
    }

    /** To where it is now, with what was asked for besides. */
    static View leadingOn(String now, HttpServletRequest request) {
        RedirectView view = new RedirectView(request.getQueryString() == null ? now : now + "?" + request.getQueryString());
        view.setExpandUriTemplateVariables(false);
        view.setExposeModelAttributes(false);
        return view;
    }
}
