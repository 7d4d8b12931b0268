import type { Edit, LaidPaint, MeshReport, Piece, PlaceKind } from '@fictile/core';

/** What a mesh is meant for: it decides which figures matter. */
export type Aim = 'print' | 'game' | 'render' | 'animate';
export type Tone = 'good' | 'bad' | 'mind' | 'plain';

/** What can be painted on a model: places that a check is about, or how laid lettering differs from flat one. */
export type Painted = PlaceKind | LaidPaint;

/** What is known of a mesh besides its report. */
export interface Subject {
  /** open on purpose */
  isSheet: boolean;
  /** its faces are laid out already, or steps would undo what another style does */
  isLaidOut: boolean;
}

/** What one press can do about a figure; its words are those of its id (`texts.checks.cures`). */
export interface CheckCure {
  id: string;
  edit(piece: Piece, freshId: string): Edit;
}

export interface Looked extends Subject {
  report: MeshReport;
  aim: Aim;
}

/** What a check has found. */
export interface Finding {
  /** how many, or as it is told */
  figure: number | string;
  tone: Tone;
  places?: Painted | undefined;
  cure?: CheckCure | undefined;
}

/** One line of the checks; its words are those of its id (`texts.checks.names`). */
export interface CheckDefinition {
  id: string;
  /** undefined: nothing is said of such a mesh, or for such an aim */
  look(looked: Looked): Finding | undefined;
}
