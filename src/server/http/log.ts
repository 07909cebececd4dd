import pino from 'pino';

export const log = pino({ level: process.env.MILLPOND_LOG ?? 'warn' });
