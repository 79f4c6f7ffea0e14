import { Link } from 'expo-router';
import { Pressable, ScrollView, View } from 'react-native';
import { CALCULATOR_IDS, calculator } from '@jumper/core';
import { Columns } from '../../ui/Columns';
import { Header } from '../../ui/Header';
import { Place } from '../../ui/Place';
import { Text } from '../../ui/Text';

const GROUPS = [...new Set(CALCULATOR_IDS.map((id) => calculator(id).group))];

/** Every calculator, by what it is about. With a job's id each opens with that circuit's numbers. */
export function ToolsScreen({ jobId }: { jobId?: string }) {
  return (
    <Place at="tools" inColumns>
      <Header
        title="Tools"
        subtitle={jobId ? 'With this circuit’s numbers' : 'Each works by itself, with no network'}
        {...(jobId ? { backTo: `/jobs/${jobId}` } : {})}
      />
      <ScrollView className="flex-1" contentContainerClassName="pb-6">
        {GROUPS.map((group) => (
          <View key={group} className="pt-4">
            <Text role="heading" aria-level={2} className="px-4 pb-1 font-semibold text-body text-ink2">
              {group}
            </Text>
            <View role="list" aria-label={group}>
              <Columns lines="">
                {CALCULATOR_IDS.filter((id) => calculator(id).group === group).map((id) => (
                  <View key={id} role="listitem" className="border-t border-hair">
                    <Link href={`/tools/${id}${jobId ? `?job=${jobId}` : ''}` as never} asChild>
                      <Pressable className="min-h-[60px] justify-center gap-0.5 px-4 py-2.5 active:bg-sheet">
                        <Text className="font-semibold text-lead">{calculator(id).title}</Text>
                        <Text className="text-small text-ink2">{calculator(id).use}</Text>
                      </Pressable>
                    </Link>
                  </View>
                ))}
              </Columns>
            </View>
          </View>
        ))}
      </ScrollView>
    </Place>
  );
}
