/** What this build was made of: a checksum of its sources. */
declare const __BUILD__: string
