"""The desk's addresses. Public sites are told apart by host, before any of these (hestor.web)."""

from django.urls import path, re_path

from hestor.api.api import api
from hestor.config.health import healthz, metrics
from hestor.desk.views import index

urlpatterns = [
    path("api/", api.urls),
    path("healthz", healthz),
    path("metrics", metrics),
    # Every other address is a view of the desk, which its own router reads.
    re_path(r"^(?!api/|_desk/).*$", index),
]
