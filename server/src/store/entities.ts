import { Column, Entity, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';
import type { Waiver } from '#contract/kit-draft.ts';
import type { Book } from '#contract/moving-in/book.ts';
import type { OwnSettings } from '#contract/own-settings.ts';
import type { ShopChangeWhat } from '#contract/shop.ts';
import type { JobEvent } from '#core/job/acts.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import type { Role } from '#core/job/role.ts';
import type { Skill } from '#core/job/skill.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { KitSide } from '#core/visit/kit-on-side.ts';
import { BOOK_ENTITIES } from './book-entities.ts';
import { CRIB_ENTITIES } from './crib-entities.ts';
import { DRILL_ENTITIES } from './drill-entities.ts';
import { DueSettledEntity } from './follow-up-repository.ts';
import { millis } from './millis.ts';
import { OUTSIDE_ENTITIES } from './outside-entities.ts';
import { OWNER_ENTITIES } from './owner-entities.ts';
import { SERVER_ENTITIES } from './server-entities.ts';
import type { StoredSlot } from './stored-slot.ts';

@Entity('shop')
export class ShopEntity {
  @PrimaryColumn({ type: 'varchar', length: 64 }) id!: string;
  @Column({ type: 'varchar', length: 120 }) name!: string;
  @Column({ type: 'int' }) bays!: number;
  /** What the shop sets itself; the rest is as usual. */
  @Column({ type: 'json', nullable: true, name: 'house_rules' }) houseRules?: Partial<HouseRules> | null;
  @Column({ type: 'json', nullable: true }) lexicon?: ShopWord[] | null;
  /** Fewest characters of a PIN or password, as the leads want it. */
  @Column({ type: 'int', name: 'secret_digits', default: 4 }) secretDigits?: number;
  /** How long a sign-in lasts. */
  @Column({ type: 'int', name: 'session_hours', default: 14 }) sessionHours?: number;
  /** No device is let in but those a lead has paired, and the server's own machine. */
  @Column({ type: 'boolean', name: 'paired_only', default: false }) pairedOnly?: boolean;
  /** What it lets the owner's other shops have. */
  @Column({ type: 'boolean', name: 'shares_kits', default: false }) sharesKits?: boolean;
  @Column({ type: 'boolean', name: 'wrench_pool', default: false }) wrenchPool?: boolean;
}

@Entity('user')
export class UserEntity {
  @PrimaryColumn({ type: 'varchar', length: 64 }) id!: string;
  @Index() @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 120 }) name!: string;
  @Column({ type: 'varchar', length: 4 }) initials!: string;
  @Column({ type: 'varchar', length: 16 }) role!: Role;
  @Column({ type: 'varchar', length: 255, name: 'secret_hash' }) secretHash!: string;
  /** Works here no more; what they did stays. */
  @Column({ ...millis, name: 'left_at_ms', nullable: true }) leftAtMs?: number | null;
  /** Kept out for now by a lead. */
  @Column({ ...millis, name: 'locked_at_ms', nullable: true }) lockedAtMs?: number | null;
  /** Who answers for an apprentice. */
  @Column({ type: 'varchar', length: 64, name: 'mentor_id', nullable: true }) mentorId?: string | null;
  @Column({ type: 'json', nullable: true }) skills?: Skill[] | null;
  @Column({ type: 'json', nullable: true, name: 'own_settings' }) ownSettings?: OwnSettings | null;
}

/** The one-time code of an installation without a shop. */
@Entity('shop_opening')
export class ShopOpeningEntity {
  @PrimaryColumn({ type: 'tinyint' }) id!: number;
  @Column({ type: 'char', length: 64, name: 'code_hash' }) codeHash!: string;
  @Column({ ...millis, name: 'until_ms' }) untilMs!: number;
}

/** What a lead changed of the shop or its people. Added to, and never changed. */
@Entity('shop_change')
export class ShopChangeEntity {
  @PrimaryGeneratedColumn({ type: 'bigint', unsigned: true }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 64, name: 'by_id' }) byId!: string;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ type: 'json' }) what!: ShopChangeWhat;
}

/** Ended sessions stay: a command queued offline is checked against who was signed in on its device then. */
@Entity('session')
export class SessionEntity {
  @PrimaryColumn({ type: 'char', length: 64, name: 'token_hash' }) tokenHash!: string;
  @Column({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  @Index() @Column({ type: 'char', length: 36, name: 'device_id' }) deviceId!: string;
  @Column({ ...millis, name: 'started_at_ms' }) startedAtMs!: number;
  @Column({ ...millis, name: 'expires_at_ms' }) expiresAtMs!: number;
  @Column({ ...millis, name: 'ended_at_ms', nullable: true }) endedAtMs?: number | null;
  /** Where a lead of several shops works; left out, in their own. */
  @Column({ type: 'varchar', length: 64, name: 'shop_id', nullable: true }) shopId?: string | null;
}

/** Somebody of one shop who leads another of the same owner too. */
@Entity('also_lead')
export class AlsoLeadEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ ...millis, name: 'since_ms' }) sinceMs!: number;
}

@Entity('vehicle')
export class VehicleEntity {
  @PrimaryColumn({ type: 'varchar', length: 64 }) id!: string;
  @Index() @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'json' }) card!: Vehicle;
  /** Guards against two people saving over each other. */
  @Column({ type: 'int', unsigned: true, default: 1 }) version!: number;
}

@Entity('kit')
export class KitEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @PrimaryColumn({ type: 'varchar', length: 64 }) id!: string;
  @PrimaryColumn({ type: 'int' }) revision!: number;
  @Column({ type: 'json' }) document!: KitDocument;
  @Column({ ...millis, name: 'added_at_ms' }) addedAtMs!: number;
  @Column({ type: 'varchar', length: 500, nullable: true }) note?: string | null;
  @Column({ type: 'varchar', length: 120, name: 'released_by', nullable: true }) releasedBy?: string | null;
  @Column({ type: 'json', nullable: true }) waivers?: Waiver[] | null;
  /** Taken back by a lead: open jobs go on with open eyes, new ones do not begin with it. */
  @Column({ ...millis, name: 'withdrawn_at_ms', nullable: true }) withdrawnAtMs?: number | null;
  @Column({ type: 'varchar', length: 500, name: 'withdrawn_because', nullable: true }) withdrawnBecause?: string | null;
}

/** A kit being written; `version` guards against two people saving over each other. */
@Entity('kit_draft')
export class KitDraftEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @PrimaryColumn({ type: 'varchar', length: 64 }) id!: string;
  @Column({ type: 'json' }) document!: KitDocument;
  @Column({ type: 'mediumtext', nullable: true }) sheet?: string | null;
  @Column({ type: 'int', unsigned: true }) version!: number;
  @Column({ ...millis, name: 'changed_at_ms' }) changedAtMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'changed_by' }) changedBy!: string;
}

@Entity('wrench')
export class WrenchEntity {
  @PrimaryColumn({ type: 'varchar', length: 64 }) id!: string;
  @Index() @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 40 }) label!: string;
  @Column({ type: 'varchar', length: 16 }) kind!: 'click' | 'digital' | 'beam';
  @Column({ type: 'varchar', length: 16, name: 'square_drive' }) squareDrive!: string;
  @Column({ type: 'double', name: 'full_scale_nm' }) fullScaleNm!: number;
  @Column({ type: 'double', name: 'lowest_nm', nullable: true }) lowestNm?: number | null;
  @Column({ type: 'varchar', length: 8, name: 'scale_unit' }) scaleUnit!: TorqueUnit;
  @Column({ type: 'char', length: 10, name: 'calibration_due_on' }) calibrationDueOn!: string;
  @Column({ type: 'boolean' }) live!: boolean;
  @Column({ type: 'varchar', length: 40, nullable: true }) serial?: string | null;
  @Column({ type: 'double', name: 'division_nm', nullable: true }) divisionNm?: number | null;
  @Column({ type: 'double', name: 'length_mm', nullable: true }) lengthMm?: number | null;
  @Column({ type: 'int', name: 'interval_months', default: 12 }) intervalMonths?: number;
  @Column({ ...millis, name: 'locked_at_ms', nullable: true }) lockedAtMs?: number | null;
  @Column({ type: 'varchar', length: 200, name: 'locked_because', nullable: true }) lockedBecause?: string | null;
  /** A wrench that left the wall: its pulls keep its name. */
  @Column({ ...millis, name: 'retired_at_ms', nullable: true }) retiredAtMs?: number | null;
}

/** A kit revision a job was opened with or took in. */
export interface PinnedKit {
  prefix: string;
  id: string;
  revision: number;
  /** The side of the vehicle it is fitted on, where the visit has one for each. */
  side?: KitSide;
  added?: true;
}

@Entity('job')
export class JobEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Index() @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 24 }) number!: string;
  @Column({ type: 'int' }) bay!: number;
  @Column({ ...millis, name: 'planned_start_ms' }) plannedStartMs!: number;
  /** Where and by whom it is worked, and until when it was promised; a plan that may be moved, no part of the record. */
  @Column({ type: 'json', nullable: true }) slot?: StoredSlot | null;
  @Column({ type: 'double', name: 'odometer_km', nullable: true }) odometerKm?: number | null;
  @Index() @Column({ type: 'varchar', length: 64, name: 'vehicle_id' }) vehicleId!: string;
  /** The vehicle as it was when the job was opened. */
  @Column({ type: 'json' }) vehicle!: Vehicle;
  /** Every kit that is or was in the visit; `added` marks those that came after it was opened. */
  @Column({ type: 'json' }) kits!: PinnedKit[];
  @Column({ type: 'json' }) answers!: Record<string, AnswerValue>;
  /** The shop's rules when the job was opened: a later change does not reach into work under way. */
  @Column({ type: 'json', name: 'pass_rule' }) passRule!: Partial<HouseRules>;
  @Column({ ...millis, name: 'opened_at_ms' }) openedAtMs!: number;
  /** Sequence number and hash of the newest event. */
  @Column({ type: 'int', unsigned: true }) seq!: number;
  @Column({ type: 'char', length: 64 }) hash!: string;
  /** What lists show, kept in the transaction of the events it sums up. */
  @Column({ type: 'json' }) progress!: JobProgress;
  @Column({ ...millis, name: 'closed_at_ms', nullable: true }) closedAtMs?: number | null;
  /** What the job was opened with, as the text its first hash is taken of; absent on jobs of earlier versions. */
  @Column({ type: 'longtext', nullable: true }) seal?: string | null;
  /** Mixed into the hash of the personal facts; gone when the owner had them erased. */
  @Column({ type: 'char', length: 43, name: 'personal_salt', nullable: true }) personalSalt?: string | null;
  /** The signed head of a closed job, as text. */
  @Column({ type: 'longtext', nullable: true }) closing?: string | null;
  /** What a finished job put on stands on the vehicle's card. */
  @Column({ type: 'boolean', name: 'fitted_noted', default: false }) fittedNoted?: boolean;
  /** What is stored does not agree with its seal, and no lead has looked at it. */
  @Column({ type: 'boolean', default: false }) altered?: boolean;
}

/** Append-only: no code updates or deletes a row of a running shop. */
@Entity('job_event')
@Index(['jobId', 'commandId', 'commandIndex'], { unique: true })
export class JobEventEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @PrimaryColumn({ type: 'int', unsigned: true }) seq!: number;
  @Column({ type: 'varchar', length: 64, name: 'command_id' }) commandId!: string;
  /** Place of the event among those of one command. */
  @Column({ type: 'smallint', unsigned: true, name: 'command_index' }) commandIndex!: number;
  @Column({ type: 'varchar', length: 32 }) type!: string;
  @Column({ type: 'json' }) body!: JobEvent;
  @Column({ type: 'varchar', length: 64, name: 'actor_id' }) actorId!: string;
  @Column({ type: 'char', length: 36, name: 'device_id', nullable: true }) deviceId?: string | null;
  @Column({ ...millis, name: 'happened_at_ms' }) happenedAtMs!: number;
  @Column({ ...millis, name: 'received_at_ms' }) receivedAtMs!: number;
  @Column({ type: 'char', length: 64 }) hash!: string;
  /** The signed command behind the event, as text. */
  @Column({ type: 'longtext', nullable: true }) proof?: string | null;
}

/** A tablet, phone or desk that somebody of the shop has signed in on: known by a cookie of its own. */
@Entity('device')
export class DeviceEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'char', length: 64, name: 'token_hash' }) tokenHash!: string;
  @Column({ type: 'varchar', length: 80 }) name!: string;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ ...millis, name: 'seen_at_ms' }) seenAtMs!: number;
  /** Let in by a lead's code. */
  @Column({ ...millis, name: 'paired_at_ms', nullable: true }) pairedAtMs?: number | null;
  /** Put out by a lead: its cookie and keys count no more. */
  @Column({ ...millis, name: 'revoked_at_ms', nullable: true }) revokedAtMs?: number | null;
}

/** A code that lets one tablet in under a name, once and for a while. */
@Entity('pairing')
export class PairingEntity {
  @PrimaryColumn({ type: 'char', length: 64, name: 'code_hash' }) codeHash!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 80 }) name!: string;
  @Column({ ...millis, name: 'until_ms' }) untilMs!: number;
  @Column({ type: 'varchar', length: 64, name: 'by_id' }) byId!: string;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
}

/** The public halves of the keys a person signs with on one device. */
@Entity('device_key')
export class DeviceKeyEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'char', length: 36, name: 'device_id' }) deviceId!: string;
  @Column({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  /** SPKI, base64. */
  @Column({ type: 'varchar', length: 200, name: 'session_key' }) sessionKey!: string;
  @Column({ type: 'varchar', length: 200, name: 'proof_key' }) proofKey!: string;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
  @Column({ ...millis, name: 'expires_at_ms' }) expiresAtMs!: number;
  @Column({ ...millis, name: 'revoked_at_ms', nullable: true }) revokedAtMs?: number | null;
}

@Entity('passkey')
export class PasskeyEntity {
  @PrimaryColumn({ type: 'varchar', length: 255 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  /** COSE key, base64url. */
  @Column({ type: 'varchar', length: 1000, name: 'public_key' }) publicKey!: string;
  @Column({ ...millis }) counter!: number;
  @Column({ type: 'varchar', length: 80 }) name!: string;
  @Column({ ...millis, name: 'made_at_ms' }) madeAtMs!: number;
}

/** A device that has worked on a job, and what it last said waits on it. */
@Entity('job_device')
export class JobDeviceEntity {
  @PrimaryColumn({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @PrimaryColumn({ type: 'char', length: 36, name: 'device_id' }) deviceId!: string;
  @Column({ type: 'varchar', length: 64, name: 'user_id' }) userId!: string;
  @Column({ ...millis, name: 'heard_at_ms' }) heardAtMs!: number;
  @Column({ type: 'int', unsigned: true }) waiting!: number;
  /** It has left the job with nothing waiting. */
  @Column({ type: 'boolean' }) away!: boolean;
  /** Until when its line to the job is known to be open, at whichever server. */
  @Column({ ...millis, name: 'line_until_ms', default: 0 }) lineUntilMs?: number;
}

@Entity('photo')
export class PhotoEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Index() @Column({ type: 'char', length: 36, name: 'job_id' }) jobId!: string;
  @Column({ type: 'varchar', length: 40 }) type!: string;
  @Column({ type: 'mediumblob' }) bytes!: Buffer;
  @Column({ type: 'char', length: 64 }) sha256!: string;
  @Column({ type: 'varchar', length: 64, name: 'taken_by' }) takenBy!: string;
  @Column({ ...millis, name: 'taken_at_ms' }) takenAtMs!: number;
}

/** A page of a maker's sheet or a figure cut from one, known by its bytes: a kit revision that names it has it for good. */
@Entity('kit_picture')
export class KitPictureEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @PrimaryColumn({ type: 'char', length: 64 }) sha256!: string;
  @Column({ type: 'varchar', length: 40 }) type!: string;
  @Column({ type: 'mediumblob' }) bytes!: Buffer;
  @Column({ type: 'varchar', length: 64, name: 'added_by' }) addedBy!: string;
  @Column({ ...millis, name: 'added_at_ms' }) addedAtMs!: number;
}

/** What was brought along in one go, and what it became: the last may be undone. */
@Entity('moved_in')
export class MovedInEntity {
  @PrimaryColumn({ type: 'char', length: 36 }) id!: string;
  @Column({ type: 'varchar', length: 64, name: 'shop_id' }) shopId!: string;
  @Column({ type: 'varchar', length: 16 }) book!: Book;
  @Column({ type: 'varchar', length: 200 }) file!: string;
  /** Ids of what was made; of kits their revision too. */
  @Column({ type: 'json' }) made!: string[];
  @Column({ ...millis, name: 'at_ms' }) atMs!: number;
  @Column({ type: 'varchar', length: 120, name: 'by_name' }) byName!: string;
  @Column({ ...millis, name: 'undone_at_ms', nullable: true }) undoneAtMs?: number | null;
  @Column({ type: 'varchar', length: 120, name: 'undone_by', nullable: true }) undoneBy?: string | null;
}

export const ENTITIES = [
  ShopEntity,
  UserEntity,
  ShopOpeningEntity,
  ShopChangeEntity,
  SessionEntity,
  AlsoLeadEntity,
  VehicleEntity,
  KitEntity,
  KitDraftEntity,
  KitPictureEntity,
  MovedInEntity,
  WrenchEntity,
  JobEntity,
  JobEventEntity,
  PhotoEntity,
  DeviceEntity,
  PairingEntity,
  DeviceKeyEntity,
  PasskeyEntity,
  JobDeviceEntity,
  ...CRIB_ENTITIES,
  DueSettledEntity,
  ...OWNER_ENTITIES,
  ...BOOK_ENTITIES,
  ...DRILL_ENTITIES,
  ...OUTSIDE_ENTITIES,
  ...SERVER_ENTITIES,
];
