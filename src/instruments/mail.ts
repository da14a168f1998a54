import { createTransport } from "nodemailer";

/** A mail box that takes letters by SMTP. */
export interface MailBox {
  readonly host: string;
  readonly port: number;
}

/** Sends one letter in plain words. Throws where the box did not take it. */
export async function sendLetter(
  box: MailBox,
  letter: { to: string; subject: string; text: string },
): Promise<void> {
  const transport = createTransport({
    ...{ host: box.host, port: box.port, secure: false, ignoreTLS: true },
    ...{ connectionTimeout: 5000, greetingTimeout: 5000, socketTimeout: 10_000 },
  });
  try {
    await transport.sendMail({ from: "Jolly Crock <jolly-crock@localhost>", ...letter });
  } finally {
    transport.close();
  }
}
