import { expose } from 'comlink';
import { proposeColumnSteps, type ColumnStep } from '@/core/advice/column-changes';
import { proposeColumn, type ColumnProposal, type Search } from '@/core/advice/column-proposals';
import { proposeBeam, type BeamProposal, type BeamSearch } from '@/core/advice/beam-proposals';
import { proposePanel, type PanelProposal } from '@/core/advice/panel-proposals';
import { proposePunching, type PunchingProposal } from '@/core/advice/punching-proposals';
import { proposeStrip, type StripProposal, type StripSearch } from '@/core/advice/strip-proposals';
import { proposeWallSteps, type WallStep } from '@/core/advice/wall-changes';
import { designMember } from '@/core/project/design-member';
import {
  codeOf,
  type BeamMember,
  type ColumnMember,
  type Member,
  type MemberResult,
  type Project,
  type PanelMember,
  type PunchingMember,
  type StripMember,
  type WallMember,
} from '@/core/project/project';

/** What a design needs to know of its project. */
export type DesignBasis = Pick<Project, 'code' | 'display'> & { readonly members?: readonly Member[] };
export type ProposalBasis = Pick<Project, 'code' | 'display' | 'rates'>;

const api = {
  design(basis: DesignBasis, member: Member, derive: readonly string[] | 'all'): MemberResult {
    return designMember(basis, member, derive);
  },
  propose(basis: ProposalBasis, column: ColumnMember, search: Search): ColumnProposal[] {
    return proposeColumn(column, codeOf(basis, column), search, basis.rates);
  },
  proposeColumnSteps(basis: ProposalBasis, column: ColumnMember): ColumnStep[] {
    return proposeColumnSteps(column, codeOf(basis, column), basis.rates);
  },
  proposeWallSteps(basis: ProposalBasis, wall: WallMember): WallStep[] {
    return proposeWallSteps(wall, codeOf(basis, wall), basis.rates);
  },
  proposeBeam(basis: ProposalBasis, beam: BeamMember, search: BeamSearch): BeamProposal[] {
    return proposeBeam(beam, codeOf(basis, beam), search, basis.rates);
  },
  proposeStrip(basis: ProposalBasis, strip: StripMember, search: StripSearch): StripProposal[] {
    return proposeStrip(strip, codeOf(basis, strip), search, basis.rates);
  },
  proposePanel(basis: ProposalBasis, panel: PanelMember): PanelProposal[] {
    return proposePanel(panel, codeOf(basis, panel), basis.rates);
  },
  proposePunching(basis: ProposalBasis, place: PunchingMember): PunchingProposal[] {
    return proposePunching(place, codeOf(basis, place), basis.rates);
  },
};
export type DesignApi = typeof api;
expose(api);
