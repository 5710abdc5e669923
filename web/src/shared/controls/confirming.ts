import { useDialog } from 'naive-ui';
import { nextTick } from 'vue';
import { useI18n } from 'vue-i18n';

/** Asks before something that cannot be taken back; the button says what is done. */
export function useConfirm(): (question: string, act: string) => Promise<boolean> {
  const dialog = useDialog();
  const { t } = useI18n();
  return (question, act) =>
    new Promise((resolve) => {
      dialog.warning({
        title: act,
        content: question,
        positiveText: act,
        negativeText: t('common.cancel'),
        onPositiveClick: () => {
          resolve(true);
        },
        onAfterLeave: () => {
          resolve(false);
        },
      });
      // the library's dialog has no name
      void nextTick(() => {
        document.querySelector('.n-dialog[role=dialog]:not([aria-label])')?.setAttribute('aria-label', act);
      });
    });
}
