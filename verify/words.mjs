/** What was found, in English. */
const WORDS = {
  notARecord: ({ why }) => `This is no record of Wrenchman, or one that was cut: ${why}.`,
  chainBreaks: ({ at }) =>
    `The record was altered: entry ${at.join(', ')} is not what follows from the one before it, or an entry there is missing.`,
  breaksAcknowledged: ({ at }) =>
    `The record was altered at entry ${at.join(', ')}; a lead looked at it, and says why in the record.`,
  sealDiffers: ({ what }) => `What the job was opened with was altered: ${what.join(', ')}.`,
  notSealed: () => 'Opened before openings were sealed: vehicle, kits and answers are not covered.',
  personalErased: () => 'What was personal of the owner was erased; its hash is still in the seal.',
  closingForged: () => 'The closing does not bear the signature it says it does.',
  closingOfAnother: () => 'The closing was signed for another job.',
  closingMissing: () => 'The job is closed, and its head was not signed.',
  notTheShopsKey: ({ key }) => `Signed with another key than the shop’s: ${key}.`,
  signatureWrong: ({ seq }) => `Entry ${seq}: its signature is not one of the person’s key.`,
  signatureMissing: ({ seq }) => `Entry ${seq}: it says that it was signed, and its signature is missing.`,
  signedOtherwise: ({ seq, what }) => `Entry ${seq}: what was signed says another ${what}.`,
  unsigned: ({ count }) =>
    `${count} ${count === 1 ? 'entry bears' : 'entries bear'} no signature: made over plain http, or by the server.`,
  manifestForged: () => 'The manifest does not bear the signature it says it does.',
  notAPack: () => 'The manifest is not one of a pack.',
  fileMissing: ({ name }) => `${name} is missing.`,
  fileDiffers: ({ name }) => `${name} was altered: it is not the file that was handed over.`,
  fileUnknown: ({ name }) => `${name} is not of this pack.`,
  recordOfAnother: () => 'The record is of another job, or of another state of it, than the pack.',
};

export const FINDING_CODES = Object.keys(WORDS);

/** A finding in one sentence. */
export const inWords = (finding) => WORDS[finding.code](finding);
