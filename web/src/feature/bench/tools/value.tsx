import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { proposalFaultText } from '#contract/wording/input-fault-text.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { TAPPED_TENSILE_MPA, type TappedMaterial } from '#core/fastener/thread-engagement.ts';
import type { PartMaterial } from '#core/tightening/joint-stiffness.ts';
import {
  isSafetyCritical,
  type JointTag,
  proposeTorque,
  rankValueSources,
  usualFace,
  type ValueOffer,
} from '#core/tightening/proposed-torque.ts';
import type { ThreadFinish } from '#core/tightening/thread-finish.ts';
import type { BenchTool, Remark } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine } from '../show-figure.ts';
import { classField, finishField, PARTS, threadField, yesNo } from './joint-fields.ts';

const SOURCE: Record<ValueOffer['source'], string> = {
  kitSheet: 'The kit’s sheet',
  vehicleMaker: 'The vehicle maker’s manual',
  otherKitSheet: 'Another kit’s sheet',
  estimate: 'Worked out from size and class',
  byFeel: 'By feel',
};
const BECAUSE: Record<ValueOffer['because'], string> = {
  first: 'goes first for this hardware',
  reusedHardware: 'for hardware of the vehicle that is used again',
  kitHardware: 'for hardware of the kit',
  sameJointOnly: 'only for the same joint of the same vehicle: a value belongs to the joint, not to the size',
  safetyCritical: 'not for a safety-critical joint',
  markedEstimate: 'always marked as not from the sheet',
  noBasis: 'no thread or class to work from',
  shopRefuses: 'this shop does not allow it',
  lastResort: 'honest, with a name and a reason, shown at hand-over',
};

/** A joint without a figure: where a value may come from. */
export const VALUE: BenchTool = {
  id: 'value',
  title: 'A joint without a figure',
  says: 'The sources in their order, a value worked out from size and class, or an honest “by feel”.',
  example: 'no torque given m8',
  words: [
    'value',
    'missing',
    'no torque',
    'not given',
    'by feel',
    'propose',
    'estimate',
    'sheet lost',
    'unknown torque',
  ],
  takes: [],
  fields: [
    {
      key: 'tag',
      label: 'The joint is',
      initial: 'ordinary',
      kind: 'choice',
      options: [
        { value: 'ordinary', label: 'Ordinary' },
        { value: 'steering', label: 'Steering' },
        { value: 'brake', label: 'Brakes' },
        { value: 'suspension', label: 'Suspension' },
        { value: 'tow', label: 'Towing' },
        { value: 'restraint', label: 'Belts and airbags' },
        { value: 'wheel', label: 'Wheels' },
      ],
    },
    {
      key: 'hardware',
      label: 'Hardware',
      initial: 'kit',
      kind: 'choice',
      options: [
        { value: 'kit', label: 'Of the kit' },
        { value: 'factory', label: 'Of the vehicle, used again' },
      ],
    },
    { key: 'kitNm', label: 'Kit’s sheet says', initial: '', kind: 'number', unit: 'N·m' },
    { key: 'makerNm', label: 'Vehicle maker says', initial: '', kind: 'number', unit: 'N·m' },
    { key: 'otherNm', label: 'Another kit’s sheet says', initial: '', kind: 'number', unit: 'N·m' },
    { key: 'same', label: 'For the very same joint', initial: 'no', kind: 'choice', options: yesNo },
    threadField,
    classField,
    finishField('finish', 'On the thread', 'dry'),
    { key: 'part', label: 'Softest under the head', initial: 'steel', kind: 'choice', options: PARTS },
    {
      key: 'tapped',
      label: 'Tapped into',
      initial: 'nut',
      kind: 'choice',
      options: [{ value: 'nut', label: 'Nothing: a nut' }, ...PARTS.filter(({ value }) => value !== 'stainless')],
    },
    {
      key: 'depth',
      label: 'Thread in mesh',
      initial: '12',
      kind: 'number',
      unit: 'mm',
      when: (values) => (values.tapped ?? 'nut') !== 'nut',
    },
    { key: 'strict', label: 'Shop refuses by feel', initial: 'no', kind: 'choice', options: yesNo, assumption: true },
  ],
  answer(read) {
    const { show } = read;
    const tag = read.choice<JointTag>('tag');
    const thread = read.thread();
    const tappedInto = read.choice<'nut' | TappedMaterial>('tapped');
    const proposal = proposeTorque({
      thread,
      propertyClass: read.strength(thread).propertyClass,
      finish: read.choice<ThreadFinish>('finish'),
      tag,
      part: read.choice<PartMaterial>('part'),
      tapped:
        tappedInto === 'nut'
          ? undefined
          : { tensileMpa: TAPPED_TENSILE_MPA[tappedInto], engagementMm: read.number('depth', 0.5, 200) },
    });
    if (!proposal.ok && proposal.error.code !== 'safetyCritical')
      throw new CalcRefusal(proposalFaultText(proposal.error));
    const offers = rankValueSources({
      hardware: read.choice<'kit' | 'factory'>('hardware'),
      tag,
      kitSheetNm: read.optional('kitNm', 0.1, 2000),
      vehicleMakerNm: read.optional('makerNm', 0.1, 2000),
      otherKitNm: read.optional('otherNm', 0.1, 2000),
      otherKitSameJoint: read.yes('same'),
      estimateNm: proposal.ok ? proposal.value.torqueNm : undefined,
      strictShop: read.yes('strict'),
    });
    const best = offers.find((offer) => offer.allowed);
    const remarks: Remark[] = [];
    if (isSafetyCritical(tag))
      remarks.push({
        tone: 'bad',
        text: 'A safety-critical joint: no value is proposed. Only the kit’s sheet or the vehicle maker’s manual.',
      });
    else if (best?.source === 'estimate')
      remarks.push({
        tone: 'mind',
        text: 'Not from the sheet: worked out from size and class. A lead decides, by name, and the record says so.',
      });
    if (best === undefined)
      remarks.push({
        tone: 'bad',
        text: 'Nothing may be used yet: find the sheet or the manual. The joint stays open.',
      });
    if (proposal.ok && proposal.value.limitedBy !== 'bolt')
      remarks.push({
        tone: 'mind',
        text:
          proposal.value.limitedBy === 'bearing'
            ? 'Cut back: the part under the head bears no more.'
            : 'Cut back: the tapped thread stands no more.',
      });
    const kitNm = read.optional('kitNm', 0.1, 2000);
    const makerNm = read.optional('makerNm', 0.1, 2000);
    if (kitNm !== undefined && makerNm !== undefined && Math.abs(kitNm / makerNm - 1) > 0.05)
      remarks.push({
        tone: 'mind',
        text: `Sheet and manual differ: ${inLine(show.torque(kitNm))} against ${inLine(show.torque(makerNm))}. A lead picks one, by name.`,
      });
    const face = usualFace(thread);
    return {
      main:
        best === undefined
          ? { label: 'No value', shown: show.text('–') }
          : best.torqueNm === undefined
            ? { label: 'No figure', shown: show.text('By feel') }
            : { label: SOURCE[best.source], shown: show.torque(best.torqueNm) },
      figures: proposal.ok
        ? [
            { label: 'Worked out, not from the sheet', shown: show.torque(proposal.value.torqueNm) },
            { label: 'Its preload', shown: show.force(proposal.value.preloadN) },
            {
              label: 'Limited by',
              shown: show.text(
                { bolt: 'the bolt', tappedThread: 'the tapped thread', bearing: 'the part under the head' }[
                  proposal.value.limitedBy
                ],
              ),
            },
          ]
        : [{ label: 'Worked out', shown: show.text('not for this joint') }],
      remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face?.outsideMm ?? 1.5 * thread.nominalMm}
          holeMm={face?.holeMm ?? 1.1 * thread.nominalMm}
          headMm={headDimension(usualHead(thread.system), thread)?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={2 * thread.nominalMm}
          engagedMm={tappedInto === 'nut' ? 0.85 * thread.nominalMm : read.number('depth', 0.5, 200)}
          into={tappedInto === 'nut' ? 'nut' : 'tapped'}
          label={`${thread.designation} in section`}
        />
      ),
      table: {
        head: ['Source, best first', 'Figure', 'May be used', 'Because'],
        rows: offers.map((offer) => ({
          key: offer.source,
          strong: offer === best,
          cells: [
            SOURCE[offer.source],
            offer.torqueNm === undefined ? '–' : inLine(show.torque(offer.torqueNm)),
            offer.allowed ? 'yes' : 'no',
            BECAUSE[offer.because],
          ],
        })),
      },
      summary: `${thread.designation}, ${tag} joint without a figure: ${best === undefined ? 'no value may be used' : `${SOURCE[best.source].toLowerCase()}${best.torqueNm === undefined ? '' : `, ${inLine(show.torque(best.torqueNm))}`}`}${best?.source === 'estimate' ? ', not from the sheet' : ''}`,
      refusedForJob: best === undefined ? 'Nothing may be used for this joint yet.' : undefined,
    };
  },
  sources: [
    { what: 'Order of the sources', where: 'the trade’s own; common practice, no source' },
    {
      what: 'Worked out: assembly preload at the lowest friction of the finish, cut for the parts',
      where: 'VDI 2230-1:2015; FED-STD-H28; chosen by us',
    },
  ],
};
