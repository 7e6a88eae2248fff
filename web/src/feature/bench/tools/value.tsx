import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { LIMITED_BY_TEXT, VALUE_BECAUSE_TEXT, VALUE_SOURCE_TEXT } from '#contract/wording/en/bench.ts';
import { proposalFaultText } from '#contract/wording/input-fault-text.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { valueFor } from '#core/bench/value.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import { TAPPED_TENSILE_MPA, type TappedMaterial } from '#core/fastener/thread-engagement.ts';
import type { PartMaterial } from '#core/tightening/joint-stiffness.ts';
import { type JointTag, proposeTorque, usualFace } from '#core/tightening/proposed-torque.ts';
import type { ThreadFinish } from '#core/tightening/thread-finish.ts';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine } from '../show-figure.ts';
import { classField, finishField, PARTS, threadField, yesNo } from './joint-fields.ts';

/** A joint without a figure: where a value may come from. */
export const VALUE: BenchTool = {
  id: 'value',
  title: say('A joint without a figure'),
  says: say('The sources in their order, a value worked out from size and class, or an honest “by feel”.'),
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
      label: say('The joint is'),
      initial: 'ordinary',
      kind: 'choice',
      options: [
        { value: 'ordinary', label: say('Ordinary') },
        { value: 'steering', label: say('Steering') },
        { value: 'brake', label: say('Brakes') },
        { value: 'suspension', label: say('Suspension') },
        { value: 'tow', label: say('Towing') },
        { value: 'restraint', label: say('Belts and airbags') },
        { value: 'wheel', label: say('Wheels') },
      ],
    },
    {
      key: 'hardware',
      label: say('Hardware'),
      initial: 'kit',
      kind: 'choice',
      options: [
        { value: 'kit', label: say('Of the kit') },
        { value: 'factory', label: say('Of the vehicle, used again') },
      ],
    },
    { key: 'kitNm', label: say('Kit’s sheet says'), initial: '', kind: 'number', unit: 'N·m' },
    { key: 'makerNm', label: say('Vehicle maker says'), initial: '', kind: 'number', unit: 'N·m' },
    { key: 'otherNm', label: say('Another kit’s sheet says'), initial: '', kind: 'number', unit: 'N·m' },
    { key: 'same', label: say('For the very same joint'), initial: 'no', kind: 'choice', options: yesNo },
    threadField,
    classField,
    finishField('finish', say('On the thread'), 'dry'),
    { key: 'part', label: say('Softest under the head'), initial: 'steel', kind: 'choice', options: PARTS },
    {
      key: 'tapped',
      label: say('Tapped into'),
      initial: 'nut',
      kind: 'choice',
      options: [{ value: 'nut', label: say('Nothing: a nut') }, ...PARTS.filter(({ value }) => value !== 'stainless')],
    },
    {
      key: 'depth',
      label: say('Thread in mesh'),
      initial: '12',
      kind: 'number',
      unit: 'mm',
      when: (values) => (values.tapped ?? 'nut') !== 'nut',
    },
    {
      key: 'strict',
      label: say('Shop refuses by feel'),
      initial: 'no',
      kind: 'choice',
      options: yesNo,
      assumption: true,
    },
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
    const { offers, best, remarks } = valueFor(
      {
        hardware: read.choice<'kit' | 'factory'>('hardware'),
        tag,
        kitSheetNm: read.optional('kitNm', 0.1, 2000),
        vehicleMakerNm: read.optional('makerNm', 0.1, 2000),
        otherKitNm: read.optional('otherNm', 0.1, 2000),
        otherKitSameJoint: read.yes('same'),
        strictShop: read.yes('strict'),
      },
      proposal.ok ? proposal.value : undefined,
    );
    const face = usualFace(thread);
    return {
      main:
        best === undefined
          ? { label: say('No value'), shown: show.text('–') }
          : best.torqueNm === undefined
            ? { label: say('No figure'), shown: show.text('By feel') }
            : { label: VALUE_SOURCE_TEXT[best.source], shown: show.torque(best.torqueNm) },
      figures: proposal.ok
        ? [
            { label: say('Worked out, not from the sheet'), shown: show.torque(proposal.value.torqueNm) },
            { label: say('Its preload'), shown: show.force(proposal.value.preloadN) },
            {
              label: say('Limited by'),
              shown: show.text(LIMITED_BY_TEXT[proposal.value.limitedBy]),
            },
          ]
        : [{ label: say('Worked out'), shown: show.text('not for this joint') }],
      remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face?.outsideMm ?? 1.5 * thread.nominalMm}
          holeMm={face?.holeMm ?? 1.1 * thread.nominalMm}
          headMm={headDimension(usualHead(thread), thread)?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={2 * thread.nominalMm}
          engagedMm={tappedInto === 'nut' ? 0.85 * thread.nominalMm : read.number('depth', 0.5, 200)}
          into={tappedInto === 'nut' ? 'nut' : 'tapped'}
          label={say('{designation} in section', { designation: thread.designation })}
        />
      ),
      table: {
        head: [say('Source, best first'), say('Figure'), say('May be used'), say('Because')],
        rows: offers.map((offer) => ({
          key: offer.source,
          strong: offer === best,
          cells: [
            VALUE_SOURCE_TEXT[offer.source],
            offer.torqueNm === undefined ? '–' : inLine(show.torque(offer.torqueNm)),
            offer.allowed ? 'yes' : 'no',
            VALUE_BECAUSE_TEXT[offer.because],
          ],
        })),
      },
      summary: say('{designation}, {tag} joint without a figure: {which}{which2}', {
        designation: thread.designation,
        tag,
        which:
          best === undefined
            ? say('no value may be used')
            : `${midSentence(VALUE_SOURCE_TEXT[best.source])}${best.torqueNm === undefined ? '' : `, ${inLine(show.torque(best.torqueNm))}`}`,
        which2: best?.source === 'estimate' ? say(', not from the sheet') : '',
      }),
      refusedForJob: best === undefined ? say('Nothing may be used for this joint yet.') : undefined,
    };
  },
  sources: [
    { what: say('Order of the sources'), where: say('the trade’s own; common practice, no source') },
    {
      what: say('Worked out: assembly preload at the lowest friction of the finish, cut for the parts'),
      where: 'VDI 2230-1:2015; FED-STD-H28; chosen by us',
    },
  ],
};
