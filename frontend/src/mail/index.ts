export { MailView } from "./MailView";
