import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { setNonce } from "get-nonce";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ApiProblem } from "./api/problem";
import { App } from "./app/App";
import "./styles.css";
import { firstLanguage, speak } from "./i18n/i18n";
import { WordsProvider } from "./i18n/useTranslation";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
if (nonce) setNonce(nonce);

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // What the server refused it would refuse again; only a lost connection is worth another try.
      retry: (count, error) => !(error instanceof ApiProblem) && count < 2,
      // A browser that takes itself for offline would wait without a word; a call that fails is said.
      networkMode: "always",
    },
    mutations: { networkMode: "always" },
  },
});

const root = document.getElementById("root");
if (!root) throw new Error("The page has no element with the id root.");
const desk = createRoot(root);
// A language that can't be fetched leaves the desk in English, which comes with it.
void speak(firstLanguage(document.cookie, navigator.languages))
  .catch(() => undefined)
  .then(() =>
    desk.render(
      <StrictMode>
        <WordsProvider>
          <QueryClientProvider client={queries}>
            <BrowserRouter>
              <App />
            </BrowserRouter>
          </QueryClientProvider>
        </WordsProvider>
      </StrictMode>,
    ),
  );
